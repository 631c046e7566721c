import { expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import type { RunRules } from '../../calendar/release.ts';
import { toRunDays } from '../../calendar/release.ts';
import { buildStrands } from './build-strand.ts';

const d = (text: string) => text as DayDate;
const RUN: RunRules = {
  startsOn: d('2026-05-04'),
  calendar: 'host',
  releaseTime: '05:00',
  releaseZone: null,
  lookAheadDays: 0,
  makeUpDays: null,
};
const DAYS = toRunDays([
  { dayId: 1, week: 1, weekday: 1, sent: true },
  { dayId: 2, week: 2, weekday: 2, sent: true },
  { dayId: 3, week: 2, weekday: 3, sent: true },
  { dayId: 4, week: 2, weekday: 5, sent: false },
]);
const person = (timeZone: string, records: [number, 'done' | 'part'][] = []) => ({
  timeZone,
  joinedOn: d('2026-05-01'),
  records: DAYS.map(({ dayId }) => {
    const outcome = records.find(([id]) => id === dayId)?.[1];
    return outcome && { outcome, shareRatio: outcome === 'done' ? 1 : 0.5 };
  }),
});

test('at one instant a day is due for one zone and still ahead for another', () => {
  // Tuesday 12 May 22:00 UTC: Wednesday 10:00 in Auckland, Tuesday 18:00 in New York.
  const [auckland, newYork] = buildStrands(
    RUN,
    DAYS,
    [person('Pacific/Auckland', [[1, 'done']]), person('America/New_York', [[1, 'part']])],
    Date.parse('2026-05-12T22:00:00Z'),
  );
  expect(auckland!.today).toBe('2026-05-13');
  expect(auckland!.beads.map((b) => b.state)).toEqual(['done', 'missed', 'due', 'unsent']);
  expect(auckland!.adherence).toMatchObject({ done: 1, due: 2, ratio: 0.5 });
  expect(newYork!.beads.map((b) => b.state)).toEqual(['part', 'due', 'ahead', 'unsent']);
  expect(newYork!.adherence).toMatchObject({ done: 1, inPart: 1, due: 1, ratio: 1, worked: 0.5 });
});

test('no days and no people give nothing', () => {
  expect(buildStrands(RUN, [], [person('UTC')], 0)[0]).toMatchObject({ beads: [], adherence: { ratio: undefined } });
  expect(buildStrands(RUN, DAYS, [], 0)).toEqual([]);
});

test('days away are excused, and those alone; what lies before joining stays that, and what is done is beside', () => {
  const at = Date.parse('2026-05-20T12:00:00Z');
  const states = (more: object, records: [number, 'done' | 'part'][] = []) =>
    buildStrands(RUN, DAYS, [{ ...person('UTC', records), ...more }], at)[0]!.beads.map((b) => b.state);
  const away = { absences: [{ kind: 'excused' as const, from: d('2026-05-12'), to: d('2026-05-12') }] };
  expect(states(away)).toEqual(['missed', 'excused', 'missed', 'unsent']);
  expect(states(away, [[2, 'done']])).toEqual(['missed', 'bonus', 'missed', 'unsent']);
  expect(
    states({ absences: [{ kind: 'pause' as const, from: d('2026-05-04'), to: null }], joinedOn: d('2026-05-12') }),
  ).toEqual(['before', 'excused', 'excused', 'excused']);
});
