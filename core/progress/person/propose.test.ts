import { describe, expect, test } from 'vitest';
import type { DayState } from '../../record/adherence/strand.ts';
import type { GroupSession, LoadHistory, PersonWeek } from './propose.ts';
import { proposeForGroup, proposeForPerson, smallestStepKg } from './propose.ts';

/** `done 7/6`: done, felt 7, planned 6. */
const week = (sessions: readonly string[], more: Partial<PersonWeek> = {}): PersonWeek => ({
  week: 3,
  loads: [],
  shapes: [],
  fewerIn: 0,
  pains: [],
  school: 'reps',
  sessions: sessions.map((text, i) => {
    const [state, efforts] = text.split(' ');
    const [felt, planned] = (efforts ?? '/').split('/');
    return {
      dayId: i,
      state: state as DayState,
      effort: felt ? Number(felt) : null,
      planned: planned ? Number(planned) : null,
    };
  }),
  ...more,
});
const propose = (sessions: readonly string[], more: Partial<PersonWeek> = {}) =>
  proposeForPerson(week(sessions, more), () => 12);
const squat = (sets: readonly (readonly number[])[], more: Partial<LoadHistory> = {}): LoadHistory => ({
  movement: 'goblet-squat',
  name: 'goblet squat',
  goalReps: 10,
  sessions: sets.map((s) => ({ sets: s, effort: 5 })),
  ...more,
});

test('what was chosen on the way again and again stands from now on, before anything gets heavier', () => {
  const habit = {
    from: 'push-up',
    to: 'knee-push-up',
    fromName: 'push-up',
    toName: 'knee push-up',
    times: 2,
    isHarder: false,
  };
  expect(propose(['done 6/6', 'done 6/6'], { shapes: [habit] })).toMatchObject({
    kind: 'ease',
    reason: { code: 'own-shape', times: 2 },
    change: { kind: 'swap', from: 'push-up', to: 'knee-push-up' },
  });
  expect(propose(['done 6/6'], { shapes: [{ ...habit, isHarder: true }] })!.kind).toBe('step-up');
  expect(propose(['done 6/6', 'done 6/6'], { fewerIn: 2, shapes: [habit] })).toMatchObject({
    reason: { code: 'fewer', sessions: 2 },
    change: { kind: 'dose', repsBy: -1 },
  });
  expect(propose(['done 6/6', 'done 6/6'], { fewerIn: 1 })!.kind).toBe('go-on');
});

test('a step of a scale goes up by the same signs as a weight; at its end there is nothing more', () => {
  const load = (next: string | null): LoadHistory => ({
    movement: 'band-row',
    name: 'band row',
    goalReps: 10,
    sessions: [12, 12].map((n) => ({ sets: [n], effort: null })),
    scale: { used: 'medium band', next },
  });
  expect(propose(['done 6/6'], { loads: [load('heavy band')] })).toMatchObject({
    reason: { code: 'load', more: { after: 'medium band', step: 'heavy band' } },
    change: { kind: 'dose', movement: 'band-row', loadBy: 1 },
  });
  expect(propose(['done 6/6'], { loads: [load(null)] })!.kind).toBe('go-on');
});

describe('for one person', () => {
  test('three of three, 12 and 12 against 10: load up by the smallest step (2-for-2, docs/formulas.md 3)', () => {
    expect(
      propose(['done 5/6', 'done 5/6', 'done 5/6'], {
        loads: [
          squat([
            [12, 12],
            [11, 12],
          ]),
        ],
      }),
    ).toEqual({
      key: 'w3 load goblet-squat',
      kind: 'step-up',
      reason: {
        code: 'load',
        due: 3,
        done: 3,
        name: 'goblet squat',
        more: { kg: 2 },
        sign: { kind: 'two-for-two', lastSets: [12, 12], goalReps: 10 },
      },
      change: { kind: 'dose', movement: 'goblet-squat', loadBy: 2 },
    });
    expect(propose(['done 5/6', 'done 5/6'], { loads: [squat([[12], [12, 11]])] })!.kind).toBe('go-on');
    expect(propose(['done 5/6', 'done 5/6'], { loads: [squat([[12]])] })!.kind).toBe('go-on');
  });

  test('double progression 8 to 12: at 12, 12, 12 the next load', () => {
    const range = { goalReps: 8, ceilingReps: 12 };
    expect(propose(['done', 'done'], { loads: [squat([[12, 12, 12]], range)] })!.reason).toMatchObject({
      more: { kg: 2 },
      sign: { kind: 'top', sets: [12, 12, 12], goalReps: 8, ceilingReps: 12 },
    });
    expect(propose(['done', 'done'], { loads: [squat([[12, 12, 11]], range)] })!.kind).toBe('go-on');
  });

  test('felt against planned: two more eases, two less steps up, but only where all was done', () => {
    expect(propose(['done 8/6', 'done 8/6', 'done 8/6'])).toMatchObject({
      kind: 'ease',
      change: { kind: 'eased' },
      reason: { code: 'felt-harder', due: 3, done: 3, efforts: [8, 8, 8], by: 2 },
    });
    expect(propose(['done 8/6', 'done 8/6'])!.kind).toBe('ease');
    expect(propose(['done 9/6'])!.kind).toBe('go-on');
    expect(propose(['done 7/6', 'done 8/6'])!.kind).toBe('go-on');
    expect(propose(['done 4/6', 'done 4/6'])).toMatchObject({ kind: 'step-up', change: { movement: null, repsBy: 1 } });
    expect(propose(['done 4/6', 'done 4/6'], { school: 'load' })).toMatchObject({
      change: { movement: null, loadBy: 2 },
    });
    expect(propose(['done 4/6', 'done 4/6', 'missed'])!.kind).toBe('go-on');
    expect(propose(['done 2/6'])!.kind).toBe('go-on');
  });

  test('less than two of three done holds; pain eases before anything else; nothing due proposes nothing', () => {
    expect(propose(['done 2/6', 'missed', 'missed'])).toMatchObject({ kind: 'hold', change: null });
    expect(propose(['done 4/6', 'part 4/6', 'not-done'])!.kind).toBe('go-on');
    expect(
      propose(['done 4/6', 'done 4/6'], { pains: [{ words: 'knee, at wrist circle', spare: 'knees' }] }),
    ).toMatchObject({
      kind: 'ease',
      reason: { code: 'pain', said: 'knee, at wrist circle', spare: 'knees' },
      change: { kind: 'spare', spare: 'knees' },
    });
    const pains = [
      { words: 'hip, at squat', spare: null },
      { words: 'knee, at lunge', spare: 'knees' as const },
    ];
    expect(propose(['done 4/6'], { pains })!.change).toEqual({ kind: 'spare', spare: 'knees' });
    expect(propose(['done 4/6'], { pains: [{ words: 'hip, at squat', spare: null }] })!.change).toEqual({
      kind: 'eased',
    });
    expect(propose(['excused', 'before', 'unsent'])).toBeUndefined();
  });

  test('the smallest step is a kilogram below ten, two from ten on', () => {
    expect([smallestStepKg(9.75), smallestStepKg(10)]).toEqual([1, 2]);
  });
});

describe('for all', () => {
  const session = (more: Partial<GroupSession>): GroupSession => ({
    key: 'w3d1',
    title: 'Engine',
    due: 20,
    done: 16,
    planned: 6,
    efforts: [6, 6, 6, 6, 6],
    turns: [],
    ...more,
  });
  const turns = (...shares: number[]) => [{ block: 'Main', shares, lever: { kind: 'reps' as const } }];

  test('7 of 9 overran the minute: 2 reps off every station (docs/formulas.md 1)', () => {
    const shares = [0.5, 0.25, 0.3, 1, 0.4, 0.9, 0.6, 0, 0.2];
    expect(proposeForGroup(session({ turns: turns(...shares) }))).toEqual({
      key: 'w3d1 off Main',
      kind: 'ease',
      reason: { code: 'turns', block: 'Main', reps: 2, over: 7, of: 9 },
      change: { kind: 'pull', lever: { kind: 'reps' }, by: -2 },
    });
    expect(proposeForGroup(session({ turns: turns(0.5, 0.5, 0, 0) }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ turns: turns(1, 1) }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ turns: turns(1, 1, 0) }))!.kind).toBe('ease');
  });

  test('the middle of what was felt decides, and few who did it hold; too few say nothing', () => {
    expect(proposeForGroup(session({ efforts: [8, 8, 8, 2, 9] }))).toMatchObject({
      kind: 'hold',
      change: { kind: 'same-again' },
    });
    expect(proposeForGroup(session({ efforts: [4, 4, 4, 9, 3] }))).toMatchObject({
      kind: 'step-up',
      change: { by: 1 },
    });
    expect(proposeForGroup(session({ efforts: [7, 8, 8, 7, 7, 7] }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ done: 9 }))).toMatchObject({
      kind: 'hold',
      reason: { code: 'few', done: 9, due: 20 },
    });
    expect(proposeForGroup(session({ done: 10 }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ efforts: [9, 9, 9, 9] }))).toBeUndefined();
    expect(proposeForGroup(session({ planned: null }))).toMatchObject({ kind: 'go-on', change: null });
  });
});
