import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayKey } from '../../calendar/day.ts';
import { parseSession } from '../../notation/read-session.ts';
import { baseLibrary } from '../../movement/library.ts';
import { applyProgrammeEdits } from './apply-programme-edit.ts';
import { findDifferences, isNoDifference } from './find-differences.ts';
import type { Lever } from '../levers/lever.ts';
import { LEVER_KINDS } from '../levers/lever.ts';
import type { ProgrammeEdit } from './programme-edit.ts';
import { book, ENGINE_TEXT, FOUR_TEXT, makeProgramme, makeTrack, planner, singles } from '../programme-fixture.ts';
import type { ProgrammeDocument } from '../programme-document.ts';
import { findProgrammeDay, isLighterWeek, progressionWeek } from '../programme-document.ts';
import { explainWeek } from '../week/explain-week.ts';

const noLock = new Set<string>();
function edit(
  programme: ProgrammeDocument,
  edits: ProgrammeEdit | readonly ProgrammeEdit[],
  locked: ReadonlySet<string> = noLock,
): ProgrammeDocument {
  const result = applyProgrammeEdits(
    programme,
    Array.isArray(edits) ? (edits as ProgrammeEdit[]) : [edits as ProgrammeEdit],
    { book, locked },
  );
  if (result.status === 'refused') throw new Error(result.message);
  return result.programme;
}
const refusal = (programme: ProgrammeDocument, e: ProgrammeEdit, locked: ReadonlySet<string> = noLock): string => {
  const result = applyProgrammeEdits(programme, [e], { book, locked });
  return result.status === 'refused' ? result.message : '';
};
const at = (week: number, weekday: number) => ({ week, weekday });
const textAt = (programme: ProgrammeDocument, week: number, weekday: number) =>
  findProgrammeDay(programme, at(week, weekday))?.text;

describe('a programme that progresses', () => {
  it('writes each week of a track by its levers, the four-week step included (common practice)', () => {
    const track = makeTrack('four', FOUR_TEXT, [
      { lever: { kind: 'rounds' }, schedule: { kind: 'at-weeks', steps: [{ week: 4, by: 1 }] } },
    ]);
    const programme = edit(makeProgramme({ lighter: [] }), { kind: 'set-track', track });
    expect([1, 2, 3, 4].map((w) => /for (\d+:\d+)/.exec(textAt(programme, w, 1)!)![1])).toEqual([
      '24:00',
      '24:00',
      '24:00',
      '28:00',
    ]);
    const read = book.read(track);
    const explained = explainWeek(read, book.week(track, 4, []), book.week(track, 3, []));
    expect(explained.words).toBe('rounds 6 → 7, 24:00 → 28:00');
    expect(explained.why).toEqual(['Rounds and reps first', 'rounds: +1 round from week 4']);
    expect(explainWeek(read, book.week(track, 3, []), book.week(track, 2, [])).words).toBe('as in week 2');
  });

  it('a pin survives regeneration, and letting go writes it anew', () => {
    const mine = FOUR_TEXT.replace('10 push-up', '12 push-up  # asked for');
    const pinned = edit(makeProgramme(), { kind: 'set-text', place: at(2, 1), text: mine });
    expect(findProgrammeDay(pinned, at(2, 1))!.track!.isPinned).toBe(true);
    const later = edit(pinned, {
      kind: 'set-track',
      track: makeTrack('four', FOUR_TEXT, [{ lever: { kind: 'reps' }, schedule: { kind: 'each-week', by: 3 } }]),
    });
    expect(textAt(later, 2, 1)).toBe(mine);
    expect(textAt(later, 3, 1)).toContain('16 push-up');
    const free = edit(later, { kind: 'pin', place: at(2, 1), isPinned: false });
    expect(textAt(free, 2, 1)).toContain('13 push-up');
  });

  it('pins survive any change of levers, and what is generated has no error', () => {
    const lever: fc.Arbitrary<Lever> = fc.record({ kind: fc.constantFrom(...LEVER_KINDS) });
    const rule = fc.record({
      lever,
      schedule: fc.oneof(
        fc.record({ kind: fc.constant('each-week' as const), by: fc.integer({ min: -9, max: 9 }) }),
        fc.record({
          kind: fc.constant('wave' as const),
          by: fc.integer({ min: -9, max: 9 }),
          carry: fc.integer({ min: -3, max: 3 }),
        }),
      ),
    });
    const pinned = edit(
      makeProgramme({ weeks: 6 }),
      [2, 5].map((week) => ({
        kind: 'set-text' as const,
        place: at(week, 1),
        text: `${FOUR_TEXT}# mine, week ${week}\n`,
      })),
    );
    fc.assert(
      fc.property(
        fc.array(rule, { maxLength: 4 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 6 }), { maxLength: 3 }),
        (levers, lighter) => {
          const next = edit(pinned, [
            { kind: 'set-lighter', lighter },
            { kind: 'set-track', track: makeTrack('four', FOUR_TEXT, levers) },
            { kind: 'set-track', track: makeTrack('engine', ENGINE_TEXT, levers) },
          ]);
          for (const week of [2, 5]) expect(textAt(next, week, 1)).toContain(`# mine, week ${week}`);
          for (const day of next.days) expect(parseSession(day.text, baseLibrary).issues).toEqual([]);
          const back = edit(next, [
            { kind: 'set-lighter', lighter: pinned.lighter },
            ...pinned.tracks.map((track) => ({ kind: 'set-track' as const, track })),
          ]);
          expect(back.days).toEqual(pinned.days);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('moves a session, and swaps where one stands', () => {
    const programme = makeProgramme();
    const moved = edit(programme, { kind: 'move-day', from: at(1, 6), to: at(1, 7) });
    expect([textAt(moved, 1, 6), textAt(moved, 1, 7)]).toEqual([undefined, textAt(programme, 1, 6)]);
    const swapped = edit(programme, { kind: 'move-day', from: at(1, 1), to: at(1, 4) });
    expect([textAt(swapped, 1, 1), textAt(swapped, 1, 4)]).toEqual([textAt(programme, 1, 4), textAt(programme, 1, 1)]);
    expect(findDifferences(programme, swapped, planner).days.map((d) => d.kind)).toEqual(['came', 'came']);
    expect(findDifferences(programme, moved, planner).days.map((d) => `${d.kind} ${d.words}`)).toEqual([
      'went to Sun, week 1',
      'came from Sat, week 1',
    ]);
  });

  it('keeps the week of the progression with a session that moves to another week', () => {
    const moved = edit(makeProgramme(), { kind: 'move-day', from: at(2, 1), to: at(3, 2) });
    expect(findProgrammeDay(moved, at(3, 2))!.track!.week).toBe(2);
  });

  it('copies a week: tracks are written for where they come to, single sessions as they are', () => {
    const copied = edit(makeProgramme(), { kind: 'copy-week', from: 1, to: 3 });
    expect(textAt(copied, 3, 6)).toBe(textAt(copied, 1, 6));
    expect(findProgrammeDay(copied, at(3, 1))!.track!.week).toBe(3);
    expect(textAt(copied, 3, 1)).toContain('12 goblet squat');
    expect(refusal(makeProgramme({ days: [] }), { kind: 'copy-week', from: 2, to: 1 })).toMatch(/no sessions/);
  });

  it('inserts a lighter week, after which the progression goes on where it was', () => {
    const programme = makeProgramme({ lighter: [], weeks: 4 });
    const next = edit(programme, { kind: 'insert-week', at: 3, as: 'lighter' });
    expect(next.weeks).toBe(5);
    expect(next.lighter).toEqual([3]);
    expect([1, 2, 3, 4, 5].map((w) => isLighterWeek(next, w))).toEqual([false, false, true, false, false]);
    expect(textAt(next, 3, 1)).toContain('9 goblet squat');
    expect(edit(next, { kind: 'remove-week', week: 3 })).toEqual(programme);
  });

  it('makes single sessions lighter too', () => {
    const programme = singles([[1, 2, 'Effort: 6\n\nMain: 4 rounds\n10 squat\n']], 1);
    const next = edit(programme, { kind: 'insert-week', at: 2, as: 'lighter' });
    expect(textAt(next, 2, 2)).toBe('Effort: 4\n\nMain: 3 rounds\n10 squat\n');
  });

  it('a pause holds the progression', () => {
    const programme = makeProgramme({ lighter: [] });
    const next = edit(programme, { kind: 'insert-week', at: 2, as: 'pause' });
    expect(next.days.filter((d) => d.week === 2)).toEqual([]);
    expect(textAt(next, 3, 1)).toBe(textAt(programme, 2, 1));
    expect(progressionWeek(next, 3)).toBe(2);
  });

  it('shifts all from a day on, into weeks more where needed, and says where there is no room', () => {
    const programme = makeProgramme();
    const next = edit(programme, { kind: 'shift', from: at(2, 4), days: 7 });
    expect(next.weeks).toBe(5);
    expect(textAt(next, 3, 4)).toBe(textAt(programme, 2, 4));
    expect(textAt(next, 2, 1)).toBe(textAt(programme, 2, 1));
    expect(edit(next, { kind: 'shift', from: at(3, 1), days: -7 }).days).toEqual(programme.days);
    expect(refusal(programme, { kind: 'shift', from: at(2, 4), days: -7 })).toMatch(/no room/);
    expect(refusal(programme, { kind: 'shift', from: at(9, 1), days: 1 })).toMatch(/no sessions/);
    expect(refusal(makeProgramme({ weeks: 52 }), { kind: 'shift', from: at(1, 1), days: 14 })).toMatch(/at most 52/);
  });

  it('leaves what was sent as it was: levers pass it by, and an edit that would move it is refused', () => {
    const programme = makeProgramme();
    const locked = new Set([dayKey(at(1, 1)), dayKey(at(1, 4))]);
    const harder = edit(
      programme,
      { kind: 'set-track', track: makeTrack('four', FOUR_TEXT.replace('10 push-up', '20 push-up')) },
      locked,
    );
    expect(textAt(harder, 1, 1)).toContain('10 push-up');
    expect(textAt(harder, 2, 1)).toContain('21 push-up');
    expect(refusal(programme, { kind: 'move-day', from: at(1, 1), to: at(1, 2) }, locked)).toMatch(/has been sent/);
    expect(refusal(programme, { kind: 'insert-week', at: 1, as: 'pause' }, locked)).toMatch(/has been sent/);
    expect(refusal(programme, { kind: 'remove-week', week: 1 }, locked)).toMatch(/has been sent/);
    expect(edit(programme, { kind: 'insert-week', at: 2, as: 'pause' }, locked).weeks).toBe(5);
  });

  it('a track that ends leaves its sessions, and one that is joined writes them', () => {
    const programme = makeProgramme();
    const ended = edit(programme, { kind: 'remove-track', id: 'engine' });
    expect(ended.days.map((d) => d.text)).toEqual(programme.days.map((d) => d.text));
    expect(ended.days.filter((d) => d.track?.id === 'engine')).toEqual([]);
    const joined = edit(programme, { kind: 'join-track', id: 'engine', places: [at(2, 6), at(3, 6)] });
    expect(textAt(joined, 2, 6)).toBe(textAt(joined, 2, 4));
    expect(refusal(programme, { kind: 'join-track', id: 'nobody', places: [at(1, 1)] })).toMatch(/gone/);
  });

  it('a session that was moved keeps its week of the progression when weeks come and go around it', () => {
    // Week 1’s session stands in week 4 and week 4’s, the lighter one, in week 1.
    const moved = edit(makeProgramme({ weeks: 6 }), { kind: 'move-day', from: at(1, 1), to: at(4, 1) });
    const track = (p: ProgrammeDocument, week: number) =>
      p.days.find((d) => d.week === week && d.weekday === 1)!.track!.week;
    const without = edit(moved, { kind: 'remove-week', week: 1 });
    expect([1, 2, 3, 4].map((w) => track(without, w))).toEqual([2, 3, 1, 5]);
    expect(without.lighter).toEqual([4]);
    const inserted = edit(moved, { kind: 'insert-week', at: 3, as: 'lighter' });
    expect([1, 2, 3, 4, 5, 6].map((w) => track(inserted, w))).toEqual([5, 2, 3, 4, 1, 6]);
    expect(inserted.lighter).toEqual([3, 5]);
    for (const [was, is] of [
      [2, 2],
      [4, 5],
    ] as const)
      expect(textAt(inserted, is, 1)).toBe(textAt(moved, was, 1));
  });

  it('a progression has as many weeks as a programme may have', () => {
    const year = makeProgramme({ weeks: 52, lighter: [] });
    const shorter = edit(year, { kind: 'remove-week', week: 1 });
    expect(
      applyProgrammeEdits(shorter, [{ kind: 'insert-week', at: 1, as: 'lighter' }], { book, locked: new Set() }),
    ).toEqual({
      status: 'refused',
      message: 'Its sessions would come to more than 52 weeks of progression. Remove a lighter week first.',
    });
    expect(edit(shorter, { kind: 'insert-week', at: 1, as: 'pause' }).weeks).toBe(52);
  });

  it('a week that isn’t there is neither taken out nor put in behind; one past the end appends', () => {
    const programme = makeProgramme();
    expect(refusal(programme, { kind: 'remove-week', week: 5 })).toBe('There is no week 5.');
    expect(refusal(programme, { kind: 'insert-week', at: 6, as: 'pause' })).toBe('There is no week 6.');
    expect(edit(programme, { kind: 'insert-week', at: 5, as: 'pause' }).weeks).toBe(5);
  });

  it('refuses what leaves the programme’s bounds, without touching it', () => {
    const programme = makeProgramme();
    const before = JSON.stringify(programme);
    expect(refusal(programme, { kind: 'move-day', from: at(1, 1), to: at(9, 1) })).toMatch(/outside/);
    expect(refusal(programme, { kind: 'move-day', from: at(1, 2), to: at(1, 3) })).toMatch(/no session/);
    expect(refusal(programme, { kind: 'pin', place: at(1, 6), isPinned: true })).toMatch(/single/);
    expect(refusal(programme, { kind: 'set-title', title: '  ' })).toMatch(/title/);
    expect(refusal(singles([], 1), { kind: 'remove-week', week: 1 })).toMatch(/at least one week/);
    expect(JSON.stringify(programme)).toBe(before);
  });

  it('places a retest as the same session', () => {
    const text = 'Title: Baseline\nRetest: spring\n\nMain: amrap 8:00\n8 squat\n';
    const next = edit(makeProgramme(), { kind: 'place-retest', text, places: [at(1, 2), at(4, 6)] });
    expect([textAt(next, 1, 2), textAt(next, 4, 6)]).toEqual([text, text]);
  });
});

describe('differences', () => {
  it('two equal programmes have none', () => {
    expect(isNoDifference(findDifferences(makeProgramme(), makeProgramme(), planner))).toBe(true);
  });
  it('speak of levers and lengths, and of what isn’t about a day', () => {
    const programme = makeProgramme();
    const next = edit(programme, [
      {
        kind: 'set-track',
        track: makeTrack('four', FOUR_TEXT, [
          { lever: { kind: 'rounds' }, schedule: { kind: 'at-weeks', steps: [{ week: 2, by: 1 }] } },
        ]),
      },
      { kind: 'set-lighter', lighter: [] },
      { kind: 'set-theme', weekday: 1, theme: 'strength' },
    ]);
    const { days, others } = findDifferences(programme, next, planner);
    expect(days.find((d) => d.place.week === 2 && d.place.weekday === 1)!.words).toMatch(
      /rounds 6 → 7, .*24:00 → 28:00/,
    );
    expect(others).toEqual(['No lighter weeks.', 'Track four changes.', 'Themes of the weekdays change.']);
  });
  it('a text that another week had before is a change, not a move', () => {
    const programme = makeProgramme();
    const next = edit(programme, {
      kind: 'set-track',
      track: makeTrack('four', FOUR_TEXT, [{ lever: { kind: 'reps' }, schedule: { kind: 'each-week', by: 2 } }]),
    });
    expect(textAt(next, 2, 1)).toBe(textAt(programme, 3, 1));
    expect(findDifferences(programme, next, planner).days.map((d) => d.kind)).toEqual([
      'changed',
      'changed',
      'changed',
    ]);
  });
  it('name what is new, gone, emptied and pinned', () => {
    const programme = makeProgramme();
    const next = edit(programme, [
      { kind: 'remove-day', place: at(1, 6) },
      { kind: 'add-day', place: at(2, 6) },
      { kind: 'pin', place: at(3, 1), isPinned: true },
      { kind: 'set-text', place: at(4, 6), text: 'Main: flow\n5 squat\n' },
    ]);
    expect(findDifferences(programme, next, planner).days.map((d) => [d.place.week, d.kind, d.words])).toEqual([
      [1, 'gone', ''],
      [2, 'new', ''],
      [3, 'words-only', 'kept as it is'],
      [4, 'new', expect.stringMatching(/^0:\d\d$/)],
    ]);
  });

  it('a session that joins a track or leaves it says that, and nothing of pins', () => {
    const single = singles(
      [
        [1, 1, FOUR_TEXT],
        [2, 1, FOUR_TEXT],
      ],
      2,
    );
    const joined = edit(single, [
      { kind: 'set-track', track: makeTrack('four', FOUR_TEXT, []) },
      { kind: 'join-track', id: 'four', places: [at(1, 1), at(2, 1)] },
    ]);
    expect(findDifferences(single, joined, planner).days.map((d) => [d.kind, d.words])).toEqual([
      ['words-only', 'joins four'],
      ['words-only', 'joins four'],
    ]);
    const pinned = edit(joined, { kind: 'pin', place: at(2, 1), isPinned: true });
    expect(
      findDifferences(pinned, edit(pinned, { kind: 'leave-track', places: [at(1, 1), at(2, 1)] }), planner).days.map(
        (d) => d.words,
      ),
    ).toEqual(['on its own', 'on its own']);
    expect(findDifferences(pinned, joined, planner).days.map((d) => d.words)).toEqual(['follows its track again']);
  });
});
