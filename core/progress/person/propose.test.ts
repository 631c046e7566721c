import { describe, expect, test } from 'vitest';
import type { LeverKind } from '../levers/lever.ts';
import type { SchoolStep } from '../track/school-step.ts';
import type { SchoolId } from '../track/schools.ts';
import type { DayState } from '../../record/adherence/strand.ts';
import type { LoadHistory, PersonWeek } from './propose.ts';
import { proposeForPerson, smallestStepKg } from './propose.ts';
import type { GroupSession } from './propose-group.ts';
import { proposeForGroup } from './propose-group.ts';

/** `done 7/6`: done, felt 7, planned 6. */
const week = (sessions: readonly string[], more: Partial<PersonWeek> = {}): PersonWeek => ({
  week: 3,
  loads: [],
  shapes: [],
  fewerIn: 0,
  pains: [],
  next: { school: 'rounds-and-reps', step: { kind: 'pull', lever: 'reps', by: 1 } },
  heldWeek: null,
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
  sessions: sets.map((s) => ({ sets: s, of: s.length, effort: 5 })),
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
    sessions: [12, 12].map((n) => ({ sets: [n], of: 3, effort: null })),
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
    // Every set means every set: the last alone of three isn't.
    const lastAlone = { ...squat([], range), sessions: [{ sets: [12], of: 3, effort: 5 }] };
    expect(propose(['done', 'done'], { loads: [lastAlone] })!.kind).toBe('go-on');
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
    const by = (school: SchoolId, step: SchoolStep) => propose(['done 4/6', 'done 4/6'], { next: { school, step } });
    const pull = (lever: LeverKind, n: number): SchoolStep => ({ kind: 'pull', lever, by: n });
    expect(by('load', pull('load', 2))).toMatchObject({ kind: 'step-up', change: { movement: null, loadBy: 2 } });
    expect(by('density', pull('rest', -5))).toMatchObject({ change: { kind: 'lever', lever: 'rest', by: -5 } });
    expect(by('rounds-and-reps', pull('rounds', 1))!.change).toEqual({ kind: 'lever', lever: 'rounds', by: 1 });
    const shape = { kind: 'shape', from: 'a', to: 'b', fromName: 'A', toName: 'B' } as const;
    expect(by('shape', shape)!.change).toEqual({ kind: 'swap', from: 'a', to: 'b' });
    // What a fit can't make, and what the school leaves, isn't proposed.
    expect(by('rounds-and-reps', pull('windows', 1))!.kind).toBe('go-on');
    expect(propose(['done 4/6', 'done 4/6'], { next: null })!.kind).toBe('go-on');
    expect(propose(['done 4/6', 'done 4/6', 'missed'])!.kind).toBe('go-on');
    expect(propose(['done 2/6'])!.kind).toBe('go-on');
  });

  test('less than two of three done holds; pain eases before anything else; nothing due proposes nothing', () => {
    expect(propose(['done 2/6', 'missed', 'missed'])).toMatchObject({
      kind: 'hold',
      change: { kind: 'hold', week: 3 },
    });
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

  test('one missed alone holds nobody', () => {
    expect(propose(['missed'])!.kind).toBe('go-on');
    expect(propose(['done 6/6', 'missed'])!.kind).toBe('go-on');
    expect(propose(['missed', 'missed'])!.kind).toBe('hold');
    expect(propose(['done 6/6', 'missed', 'missed'])!.kind).toBe('hold');
  });

  test('what is held can be let go once it is done, and stays while it isn’t', () => {
    expect(propose(['done 6/6', 'done 6/6', 'missed'], { heldWeek: 2 })).toMatchObject({
      kind: 'step-up',
      reason: { code: 'let-go', week: 2, done: 2, due: 3 },
      change: { kind: 'let-go' },
    });
    expect(propose(['done 6/6', 'missed', 'missed'], { heldWeek: 2 })).toMatchObject({
      kind: 'go-on',
      reason: { code: 'still-held', week: 2 },
      change: null,
    });
    // Too hard even so: it eases, and stays held.
    expect(propose(['done 8/6', 'done 8/6'], { heldWeek: 2 })!.kind).toBe('ease');
  });

  test('the smallest step is a kilogram below ten, two from ten on', () => {
    expect([smallestStepKg(9.75), smallestStepKg(10)]).toEqual([1, 2]);
  });
});

describe('for all', () => {
  const NAMES = [
    'Ada',
    'Bo',
    'Cleo',
    'Dee',
    'Eli',
    'Flo',
    'Gus',
    'Hana',
    'Ivo',
    'Jun',
    'Kai',
    'Lena',
    'Max',
    'Noa',
    'Ole',
    'Pia',
  ];
  const says = (values: readonly number[]) => values.map((value, i) => ({ name: NAMES[i]!, value }));
  const session = ({ done = 16, ...more }: Partial<GroupSession> & { done?: number }): GroupSession => ({
    key: 'w3d1',
    title: 'Engine',
    due: 20,
    doneBy: NAMES.slice(0, done),
    planned: 6,
    efforts: says([6, 6, 6, 6, 6, 6, 6]),
    turns: [],
    next: { school: 'rounds-and-reps', step: { kind: 'pull', lever: 'reps', by: 1 } },
    ...more,
  });
  const turns = (...shares: number[]) => [{ block: 'Main', shares: says(shares), lever: { kind: 'reps' as const } }];

  test('7 of 9 who said overran the minute: 2 reps off every station (docs/formulas.md 1)', () => {
    const shares = [0.5, 0.25, 0.3, 1, 0.4, 0.9, 0.6, 0, 0.2];
    expect(proposeForGroup(session({ turns: turns(...shares) }))).toEqual({
      key: 'w3d1 off Main',
      kind: 'ease',
      reason: { code: 'turns', block: 'Main', reps: 2, over: 7, said: 9, silent: 7 },
      change: { kind: 'pull', lever: { kind: 'reps' }, by: -2 },
    });
    const nine = { due: 9, done: 9 };
    expect(proposeForGroup(session({ ...nine, turns: turns(0.5, 0.5, 0, 0) }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ ...nine, turns: turns(1, 1) }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ ...nine, turns: turns(1, 1, 0) }))!.kind).toBe('ease');
    // A third of those due must have said: three are too few of twenty.
    expect(proposeForGroup(session({ turns: turns(1, 1, 1, 1, 1, 1) }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ turns: turns(1, 1, 1, 1, 1, 1, 1) }))!.kind).toBe('ease');
  });

  test('the middle of what was felt decides, and few who did it hold; too few say nothing', () => {
    expect(proposeForGroup(session({ efforts: says([8, 8, 8, 8, 2, 2, 9]) }))).toMatchObject({
      kind: 'hold',
      reason: { said: 7, silent: 9 },
      change: { kind: 'same-again' },
    });
    expect(proposeForGroup(session({ efforts: says([4, 4, 4, 4, 4, 9, 3]) }))).toMatchObject({
      kind: 'step-up',
      change: { by: 1 },
    });
    expect(proposeForGroup(session({ efforts: says([7, 8, 8, 7, 7, 7, 7]) }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ done: 9 }))).toMatchObject({
      kind: 'hold',
      reason: { code: 'few', done: 9, due: 20 },
    });
    expect(proposeForGroup(session({ done: 10 }))!.kind).toBe('go-on');
    expect(proposeForGroup(session({ efforts: says([9, 9, 9, 9, 9, 9]) }))).toBeUndefined();
    expect(proposeForGroup(session({ due: 8, done: 8, efforts: says([9, 9, 9, 9]) }))).toBeUndefined();
    expect(proposeForGroup(session({ due: 8, done: 8, efforts: says([9, 9, 9, 9, 9]) }))!.kind).toBe('hold');
    expect(proposeForGroup(session({ planned: null }))).toMatchObject({ kind: 'go-on', change: null });
  });

  test('what felt much easier goes on as its school does; what a school leaves goes on as planned', () => {
    const easy = (next: GroupSession['next']) =>
      proposeForGroup(session({ efforts: says([4, 4, 4, 4, 4, 4, 4]), next }))!;
    const rest: SchoolStep = { kind: 'pull', lever: 'rest', by: -5 };
    expect(easy({ school: 'density', step: rest }).change).toEqual({ kind: 'pull', lever: { kind: 'rest' }, by: -5 });
    const shape = { kind: 'shape', from: 'a', to: 'b', fromName: 'A', toName: 'B' } as const;
    expect(easy({ school: 'shape', step: shape }).change).toEqual({
      kind: 'pull',
      lever: { kind: 'shape', of: 'A' },
      by: 1,
    });
    expect(easy(null)).toMatchObject({ kind: 'go-on', change: null });
  });

  test('two are enough in a group of fewer than five, and they are named', () => {
    const few = { due: 4, done: 3 };
    expect(proposeForGroup(session({ ...few, efforts: says([8, 9]) }))).toMatchObject({
      kind: 'hold',
      reason: { code: 'felt-harder-by-all', names: ['Ada', 'Bo'], said: 2, silent: 1 },
    });
    expect(proposeForGroup(session({ ...few, efforts: says([9]) }))).toBeUndefined();
    expect(proposeForGroup(session({ ...few, turns: turns(1, 1, 0) }))).toMatchObject({
      reason: { code: 'turns', names: ['Ada', 'Bo'] },
    });
    expect(proposeForGroup(session({ due: 4, done: 1 }))).toMatchObject({ reason: { code: 'few', names: ['Ada'] } });
    expect(proposeForGroup(session({ due: 1, done: 0, efforts: [] }))).toBeUndefined();
    expect(proposeForGroup(session({ due: 5, done: 5, efforts: says([8, 8]) }))).toBeUndefined();
  });
});
