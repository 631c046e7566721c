import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import { fitSession } from '../../fit/fit-session.ts';
import type { FitPerson } from '../../movement/fit-movement.ts';
import { ANYONE } from '../../movement/fit-movement.ts';
import { baseLibrary } from '../../movement/library.ts';
import { MAX_OWN_DOSES } from '../../movement/own-dose.ts';
import { parseSession } from '../../notation/read-session.ts';
import { resolveBlocks } from '../../session/resolve.ts';
import { changedDoses, changedLevels, changedLines, personAfter } from './change-person.ts';
import type { PersonChange } from './propose.ts';

const said = { since: '2026-05-20' as DayDate, words: 'agreed' };
const { document } = parseSession(
  'Main (A): 3 rounds\n10 squat\n8 goblet squat, @ 12 kg\n0:30 plank\n\nFinisher: for time\n20 burpee\n',
  baseLibrary,
);
const linesOf = (person: FitPerson, change: PersonChange) => {
  const fit = (who: FitPerson) => fitSession(document, resolveBlocks(document), who, baseLibrary).document;
  return changedLines(fit(person), fit(personAfter(person, change, said)), baseLibrary);
};

describe('what a proposal makes of someone’s session', () => {
  test('a repetition more on every counted line, a weight on one', () => {
    expect(linesOf(ANYONE, { kind: 'dose', movement: null, repsBy: 1 })).toEqual([
      { was: '10 squat', is: '11 squat' },
      { was: '8 goblet squat, @ 12 kg', is: '9 goblet squat, @ 12 kg' },
      { was: '20 burpee', is: '21 burpee' },
    ]);
    expect(linesOf(ANYONE, { kind: 'dose', movement: 'goblet-squat', loadBy: 2 })).toEqual([
      { was: '8 goblet squat, @ 12 kg', is: '8 goblet squat, @ 14 kg' },
    ]);
  });

  test('comes on top of what was agreed before', () => {
    const person = personAfter(ANYONE, { kind: 'dose', movement: 'squat', repsBy: 2 }, said);
    expect(linesOf(person, { kind: 'dose', movement: 'squat', repsBy: 2 })).toEqual([
      { was: '12 squat', is: '14 squat' },
    ]);
  });

  test('a class easier in a pattern, or in all of them for a week; none where nothing is hard enough', () => {
    expect(linesOf(ANYONE, { kind: 'eased' }).map((l) => l.was)).toEqual(['20 burpee']);
    expect(linesOf({ ...ANYONE, levels: { squat: 1 } }, { kind: 'level', pattern: 'squat', by: -1 })).toEqual([]);
    expect(linesOf(ANYONE, { kind: 'level', pattern: 'squat', by: 1 })).toEqual([]);
  });
});

test('levels stay within their five; without one a pattern is unlimited', () => {
  expect(changedLevels({}, { pattern: 'push', by: -1 })).toEqual({ push: 3 });
  expect(changedLevels({}, { pattern: 'push', by: 1 })).toEqual({ push: 5 });
  expect(changedLevels({ push: 1, pull: 2 }, { pattern: 'push', by: -1 })).toEqual({ push: 1, pull: 2 });
  expect(changedLevels({ push: 4 }, { pattern: 'push', by: 1 })).toEqual({ push: 5 });
});

test('of too many agreements the oldest goes', () => {
  const dose = (n: number) => ({ movement: null, repsBy: n, ...said });
  const full = Array.from({ length: MAX_OWN_DOSES }, (_, i) => dose(i));
  const now = changedDoses(full, { kind: 'dose', movement: 'squat', loadBy: 2 }, said);
  expect(now).toHaveLength(MAX_OWN_DOSES);
  expect([now[0], now.at(-1)]).toEqual([dose(1), { movement: 'squat', loadBy: 2, ...said }]);
});
