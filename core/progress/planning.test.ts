import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { readEditsJson } from '../exchange/programme-edit-json.ts';
import { toEditsJson } from '../exchange/writing/write-edits.ts';
import { applyProgrammeEdits } from './edit/apply-programme-edit.ts';
import { dragRule, offsetAt, withScheduleKind } from './levers/drag-rule.ts';
import { leverChoices } from './levers/lever-choices.ts';
import { leverName } from './levers/lever.ts';
import { makeTrack } from './track/make-track.ts';
import { mergeEdits } from './edit/merge-edits.ts';
import { planProgramme } from './plan-programme.ts';
import type { ProgrammeEdit } from './edit/programme-edit.ts';
import {
  book,
  ENGINE_TEXT,
  FOUR_TEXT,
  makeProgramme,
  makeTrack as fixtureTrack,
  planner,
  singles,
} from './programme-fixture.ts';
import type { LeverRule, Schedule } from './track/schedule.ts';
import { SCHOOLS, schoolFits, schoolLevers } from './track/schools.ts';
import { buildTrackNote } from './track/track-note.ts';
import { everyNth, progressionWeek } from './programme-document.ts';

const read = (text: string) => parseSession(text, baseLibrary).document;

describe('dragging a lever’s point', () => {
  const rules: readonly Schedule[] = [
    { kind: 'each-week', by: 1 },
    { kind: 'at-weeks', steps: [{ week: 3, by: 1 }] },
    { kind: 'list', values: [0, 1] },
    { kind: 'wave', by: 1, carry: 1 },
  ];
  it('puts the week where it was dragged to, as near as the schedule can', () => {
    for (const schedule of rules) {
      const rule: LeverRule = { lever: { kind: 'reps' }, schedule };
      for (const [week, by] of [
        [2, 3],
        [5, 4],
        [6, -3],
      ] as const) {
        const dragged = dragRule(rule, week, by, { lighter: [4] });
        const off = Math.abs(offsetAt(dragged, week, { lighter: [4] }) - by);
        // A rule that grows evenly meets a week within half a step for each week on the way.
        expect(off).toBeLessThanOrEqual(schedule.kind === 'each-week' || schedule.kind === 'wave' ? week / 2 : 0);
      }
    }
  });
  it('a lighter week changes only lighter weeks; the first week stays as written; double isn’t dragged', () => {
    const rule: LeverRule = { lever: { kind: 'reps' }, schedule: { kind: 'each-week', by: 1 } };
    expect(dragRule(rule, 4, -2, { lighter: [4] })).toEqual({ ...rule, lighterBy: -2 });
    expect(dragRule(rule, 1, 5, { lighter: [4] })).toBe(rule);
    const double: LeverRule = { lever: { kind: 'reps' }, schedule: { kind: 'double', ceiling: 12, loadBy: 2 } };
    expect(dragRule(double, 3, 5, { lighter: [], baseReps: 8 })).toBe(double);
  });
  it('goes in the lever’s own steps', () => {
    const rest: LeverRule = { lever: { kind: 'rest' }, schedule: { kind: 'list', values: [0] } };
    expect(offsetAt(dragRule(rest, 3, -7, { lighter: [] }), 3, { lighter: [] })).toBe(-5);
    const load: LeverRule = { lever: { kind: 'load' }, schedule: { kind: 'list', values: [0] } };
    expect(offsetAt(dragRule(load, 2, 1.3, { lighter: [] }), 2, { lighter: [] })).toBe(1.5);
  });
  it('a list begins from what stood', () => {
    const rule: LeverRule = { lever: { kind: 'reps' }, schedule: { kind: 'wave', by: 1, carry: 0 }, lighterBy: -2 };
    expect(withScheduleKind(rule, 'list', 5, { lighter: [4], lengthSec: 1500 })).toEqual({
      lever: rule.lever,
      schedule: { kind: 'list', values: [0, 1, 2, -2, 0] },
    });
    expect(withScheduleKind(rule, 'until-length', 5, { lighter: [4], lengthSec: 1500 }).schedule).toMatchObject({
      kind: 'until-length',
      sec: 1800,
    });
    expect(
      withScheduleKind(rule, 'until-length', 5, { lighter: [], lengthSec: 1500, targetSec: 1620 }).schedule,
    ).toMatchObject({ sec: 1620 });
    expect(
      withScheduleKind(rule, 'until-length', 5, { lighter: [], lengthSec: 1500, targetSec: 1200 }).schedule,
    ).toMatchObject({ sec: 1800 });
    expect(withScheduleKind(rule, 'wave', 5, { lighter: [4], lengthSec: 1500 })).toBe(rule);
  });
});

describe('schools', () => {
  it('each says what it is, when to choose it, and what it is not for', () => {
    for (const s of SCHOOLS)
      for (const words of [s.means, s.chooseWhen, s.notFor]) expect(words.length).toBeGreaterThan(30);
    expect(SCHOOLS[0]!.id).toBe('rounds-and-reps');
  });
  it('begin with levers that the session has something for, whatever the session', () => {
    const texts = [
      FOUR_TEXT,
      ENGINE_TEXT,
      'Main: work 0:40 rest 0:20, 3 rounds\nsquat\n',
      'Main: windows 2:00 x 5 rest 0:30\n8 squat\nmax burpee\n',
      'Main: flow\n0:30 child’s pose\n',
      'Main: 3 rounds\n8 goblet squat @ 12 kg\n10 push-up\n',
      '',
    ];
    for (const text of texts) {
      for (const school of SCHOOLS) {
        for (const rule of schoolLevers(school.id, read(text), baseLibrary))
          expect([
            leverName(rule.lever),
            leverChoices(read(text), [], baseLibrary).some((c) => leverName(c.lever) === leverName(rule.lever)),
          ]).toEqual([leverName(rule.lever), true]);
      }
    }
    expect(
      schoolFits(
        SCHOOLS.find((s) => s.id === 'load')!,
        read('Main: 3 rounds\n10 squat\n'),
        baseLibrary,
      ),
    ).toBe(true);
    expect(
      schoolFits(
        SCHOOLS.find((s) => s.id === 'density')!,
        read('Main: 3 rounds\n10 squat\n'),
        baseLibrary,
      ),
    ).toBe(false);
  });
  it('load first is a double progression of each loaded movement', () => {
    expect(schoolLevers('load', read('Main: 3 rounds\n8 goblet squat @ 12 kg\n10 push-up\n'), baseLibrary)[0]).toEqual({
      lever: { kind: 'reps', of: 'goblet squat' },
      schedule: { kind: 'double', ceiling: 12, loadBy: 2 },
    });
  });
  it('keep growing and shrinking rounds', () => {
    const growing = 'Effort: 6\n\nMain: work 30/40/50s rest 30s\nsquat\nband row\n';
    for (const school of SCHOOLS) {
      const track = {
        ...fixtureTrack('g', growing, schoolLevers(school.id, read(growing), baseLibrary)),
        school: school.id,
      };
      for (const week of [1, 2, 3, 5, 6]) {
        const times = /work ([\d/]+)s/
          .exec(book.week(track, week, [4]).text)![1]!
          .split('/')
          .map(Number);
        expect(times.slice(1).map((t, i) => t - times[i]!)).toEqual(Array(times.length - 1).fill(10));
      }
    }
  });
});

describe('a session becomes a track', () => {
  it('takes the later days of its weekday that are still to write', () => {
    const programme = singles([
      [1, 1, FOUR_TEXT],
      [2, 1, ''],
      [3, 1, ENGINE_TEXT],
      [4, 1, ''],
      [2, 3, ''],
    ]);
    const made = makeTrack(programme, { week: 1, weekday: 1 }, planner, new Set(['w4d1']))!;
    expect(made.words).toBe('Four in turn as a track on 2 Mondays');
    const result = applyProgrammeEdits(programme, made.edits, { book, locked: new Set(['w4d1']) });
    expect(result.status === 'changed' && result.programme.days.map((d) => d.track?.week)).toEqual([
      1,
      2,
      undefined,
      undefined,
      undefined,
    ]);
  });
  it('has an id of its own', () => {
    const programme = makeProgramme({ days: [{ week: 1, weekday: 2, text: 'Title: Four\n\nMain: flow\n5 squat\n' }] });
    const made = makeTrack(programme, { week: 1, weekday: 2 }, planner, new Set())!;
    expect(made.edits[0]).toMatchObject({ kind: 'set-track', track: { id: 'four-2' } });
  });
  it('not where there is none, or one already', () => {
    expect(makeTrack(makeProgramme(), { week: 1, weekday: 1 }, planner, new Set())).toBeUndefined();
    expect(makeTrack(makeProgramme(), { week: 1, weekday: 2 }, planner, new Set())).toBeUndefined();
  });
});

describe('the note of a track’s day', () => {
  const programme = makeProgramme();
  const day = (week: number) => programme.days.find((d) => d.week === week && d.weekday === 1);
  it('says what changed against the week before and why', () => {
    expect(buildTrackNote(programme, day(1), book)).toEqual({
      track: 'four',
      week: 1,
      isPinned: false,
      words: '',
      why: [],
    });
    expect(buildTrackNote(programme, day(2), book)).toMatchObject({
      words: 'reps 10/12/14/10 → 11/13/16/11',
      why: ['Rounds and reps first', 'reps: +1 rep a week up to a lighter one, then from the start again'],
    });
    expect(buildTrackNote(programme, day(4), book)).toMatchObject({
      words: 'rounds 6 → 5, reps 12/14/16/12 → 9/11/12/9, effort 6 → 4, 24:00 → 20:00',
      why: expect.arrayContaining(['rounds: a lighter week, −1 round on what is written']),
    });
    expect(buildTrackNote(programme, undefined, book)).toBeUndefined();
  });
  it('compares with what stands the week before, sent or changed by hand as it may be', () => {
    const sent = {
      ...programme,
      days: programme.days.map((d) => (d === day(1) ? { ...d, text: d.text.replace('24:00', '20:00') } : d)),
    };
    expect(buildTrackNote(sent, day(2), book)!.words).toBe(
      'rounds 5 → 6, reps 10/12/14/10 → 11/13/16/11, 20:00 → 24:00',
    );
  });
});

describe('proposed edits', () => {
  const lever = (by: number): ProgrammeEdit => ({
    kind: 'set-track',
    track: fixtureTrack('four', FOUR_TEXT, [{ lever: { kind: 'reps' }, schedule: { kind: 'each-week', by } }]),
  });
  it('of one lever don’t pile up; those that move days keep their order', () => {
    expect(mergeEdits([lever(1)], [lever(2)])).toEqual([lever(2)]);
    const move: ProgrammeEdit = { kind: 'remove-week', week: 2 };
    expect(mergeEdits([lever(1), move], [lever(2)])).toEqual([lever(1), move, lever(2)]);
    expect(mergeEdits([move], [move])).toEqual([move, move]);
  });

  it('go over the wire as they are', () => {
    const place = { week: 2, weekday: 3 };
    const edits: ProgrammeEdit[] = [
      lever(1),
      { kind: 'remove-track', id: 'a' },
      { kind: 'join-track', id: 'a', places: [place] },
      { kind: 'leave-track', places: [place] },
      { kind: 'add-day', place },
      { kind: 'remove-day', place },
      { kind: 'set-text', place, text: 'x' },
      { kind: 'move-day', from: place, to: { week: 1, weekday: 1 } },
      { kind: 'arrange-week', week: 2, moves: [{ from: 1, to: 2 }] },
      { kind: 'copy-week', from: 1, to: 2 },
      { kind: 'insert-week', at: 2, as: 'pause' },
      { kind: 'insert-week', at: 53, as: 'lighter' },
      { kind: 'remove-week', week: 2 },
      { kind: 'shift', from: place, days: -3 },
      { kind: 'pin', place, isPinned: true },
      { kind: 'set-lighter', lighter: [4] },
      { kind: 'set-theme', weekday: 1, theme: 'strength' },
      { kind: 'set-day-theme', place, theme: null },
      { kind: 'set-blocked', blocked: [{ date: '2026-05-16' as never, words: 'Concert', rule: 'no session' }] },
      { kind: 'set-guards', guards: { off: ['monotony'], thresholds: { 'load-change': 15 } } },
      { kind: 'set-title', title: 'T' },
      { kind: 'place-retest', text: 'x', places: [place] },
      { kind: 'replace', programme: makeProgramme() },
    ];
    expect(readEditsJson(toEditsJson(edits))).toEqual({ status: 'done', value: edits });
  });

  it('that no screen makes are refused, whatever comes', () => {
    for (const bad of [
      '',
      '{}',
      '[]',
      '[1]',
      '[{"kind":"drop"}]',
      '[{"kind":"move-day","from":{"week":0,"weekday":1},"to":{"week":1,"weekday":1}}]',
      '[{"kind":"set-track","track":{"id":"X"}}]',
      '[{"kind":"set-blocked","blocked":[{"date":"2026-02-30"}]}]',
      '[{"kind":"set-guards","guards":{"off":["all"]}}]',
      '[{"kind":"shift","from":{"week":1,"weekday":1},"days":1.5}]',
    ]) {
      expect([bad, readEditsJson(bad).status]).toEqual([bad, 'refused']);
    }
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const answer = readEditsJson(JSON.stringify(value));
        expect(answer.status === 'refused' || answer.value.length > 0).toBe(true);
      }),
    );
  });
});

describe('weeks with what they ask', () => {
  it('add up; a day without an effort is left out of the load and counted', () => {
    const text = (effort: string) => `Title: T\n${effort}\nMain: work 1:00 x 10\nsquat\n`;
    const [week] = planProgramme(
      singles(
        [
          [1, 1, text('Effort: 6\n')],
          [1, 3, text('')],
          [1, 5, ''],
        ],
        1,
      ),
      planner,
    );
    expect(week).toMatchObject({
      loadAu: 60,
      unratedSessions: 1,
      toWrite: 1,
      likelySec: 1200,
      workSec: 1200,
      monotony: undefined,
      strainAu: undefined,
    });
    expect(week!.workByArea).toEqual({ legs: 1200 });
  });
  it('of a programme without sessions are zeros', () => {
    expect(planProgramme(singles([], 2), planner).map((w) => [w.loadAu, w.likelySec, w.monotony])).toEqual([
      [0, 0, undefined],
      [0, 0, undefined],
    ]);
  });
  it('a week without a track’s session goes on after the one before', () => {
    const programme = makeProgramme({
      days: [{ week: 2, weekday: 1, text: '', track: { id: 'four', week: 5, isPinned: true } }],
    });
    expect([1, 2, 3, 4].map((w) => progressionWeek(programme, w))).toEqual([1, 5, 6, 7]);
    expect([everyNth(8, 4), everyNth(3, 4), everyNth(8, 0)]).toEqual([[4, 8], [], []]);
  });
});
