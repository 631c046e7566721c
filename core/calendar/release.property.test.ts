import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import type { DayDate } from './day.ts';
import { addDays, weekdayOf } from './day.ts';
import type { RunPerson, RunRules } from './release.ts';
import { instantAt, localDate, localTime, ownDay, plannedDate, toRunDays } from './release.ts';
import { isLong, runs } from '../../tests/long.ts';

const d = (text: string) => text as DayDate;
const RULES: RunRules = {
  startsOn: d('2026-01-05'),
  calendar: 'host',
  releaseTime: '05:00',
  releaseZone: null,
  lookAheadDays: 0,
  makeUpDays: 7,
};
const EVERY_DAY = toRunDays(
  Array.from({ length: 104 * 7 }, (_, i) => ({ week: Math.floor(i / 7) + 1, weekday: (i % 7) + 1 })),
);

describe('every zone that this runtime knows, over two years', () => {
  const zones = Intl.supportedValuesOf('timeZone');
  test('there are hundreds', () => {
    expect(zones.length).toBeGreaterThan(400);
  });

  /** An hour at which clocks change in many zones; others in every ninth zone. The long form takes them all at the first. */
  for (const [releaseTime, every] of [
    ['02:15', isLong ? 1 : 4],
    ['00:00', 9],
    ['01:30', 9],
    ['23:30', 9],
  ] as const)
    test(
      `each day once, in order, at ${releaseTime} of their clock or what stands for it`,
      { timeout: 120_000 },
      () => {
        for (const timeZone of zones.filter((_, i) => i % every === 0)) {
          let before = -Infinity;
          let skipped = 0;
          for (const day of EVERY_DAY) {
            const at = ownDay({ ...RULES, releaseTime }, { timeZone }, day).releaseMs;
            if (at <= before) expect.fail(`${timeZone}: ${day.week}/${day.weekday} is not after the day before it`);
            // 22 to 26 hours lie between two days, but for a day that a zone leaves out altogether.
            if (before !== -Infinity && (at - before < 22 * 3600e3 || at - before > 26 * 3600e3))
              expect.fail(`${timeZone}: ${(at - before) / 3600e3} hours between two days`);
            // Asked only where a clock has changed: the hour is looked up from the instant, at a cost.
            if (at - before !== 24 * 3600e3 && localTime(at, timeZone) !== releaseTime) skipped++;
            before = at;
          }
          // A clock skips an hour at most twice a year.
          if (skipped > 4) expect.fail(`${timeZone}: ${skipped} days not at ${releaseTime}`);
        }
      },
    );
});

// FACTS.md 7 (calc; Temporal, "compatible").
test('gaps come later, repeats the first time', () => {
  const iso = (ms: number) => new Date(ms).toISOString().slice(0, 16);
  expect(iso(instantAt(d('2026-03-29'), '01:30', 'Europe/Lisbon'))).toBe('2026-03-29T01:30');
  expect(iso(instantAt(d('2026-10-25'), '01:30', 'Europe/Lisbon'))).toBe('2026-10-25T00:30');
  expect(iso(instantAt(d('2026-10-04'), '02:15', 'Australia/Lord_Howe'))).toBe('2026-10-03T15:45');
  expect(iso(instantAt(d('2026-04-05'), '01:45', 'Australia/Lord_Howe'))).toBe('2026-04-04T14:45');
  expect(localTime(instantAt(d('2026-04-24'), '00:00', 'Africa/Cairo'), 'Africa/Cairo')).toBe('01:00');
});

describe('whose calendar', () => {
  const week = toRunDays([
    { week: 1, weekday: 1 },
    { week: 1, weekday: 3 },
    { week: 1, weekday: 5 },
    { week: 2, weekday: 1 },
  ]);
  const dates = (person: RunPerson, rules = RULES) => week.map((day) => plannedDate(rules, person, day));

  test('all on the same dates, or each from their own day 1', () => {
    expect(dates({ timeZone: 'UTC' })).toEqual(['2026-01-05', '2026-01-07', '2026-01-09', '2026-01-12']);
    expect(dates({ timeZone: 'UTC', startsOn: d('2026-02-11') })).toEqual([
      '2026-02-11',
      '2026-02-13',
      '2026-02-15',
      '2026-02-18',
    ]);
  });

  test('on weekdays of their own: the sessions of each week in order on those', () => {
    // From Wednesday 11 February, on Tuesdays, Thursdays and Sundays: the week begins on the Wednesday.
    expect(dates({ timeZone: 'UTC', startsOn: d('2026-02-11'), weekdays: [2, 4, 7] })).toEqual([
      '2026-02-12',
      '2026-02-15',
      '2026-02-17',
      '2026-02-19',
    ]);
    // Fewer weekdays than sessions: the earliest of the others beside.
    expect(dates({ timeZone: 'UTC', startsOn: d('2026-02-11'), weekdays: [6] })).toEqual(
      ['2026-02-11', '2026-02-12', '2026-02-14', '2026-02-14'].map((x, i) => (i === 3 ? '2026-02-21' : x)),
    );
    expect(dates({ timeZone: 'UTC', weekdays: [] })).toEqual(dates({ timeZone: 'UTC' }));
  });

  test('whatever the weekdays: each session of a programme once, in order, on a day that was chosen where there are enough', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
        fc.uniqueArray(fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 7 })), {
          minLength: 1,
          maxLength: 42,
          selector: ([w, day]) => w * 10 + day,
        }),
        fc.integer({ min: 0, max: 400 }),
        (weekdays, places, offset) => {
          const startsOn = addDays(d('2026-01-01'), offset);
          const days = toRunDays(
            places
              .map(([w, weekday]) => ({ week: w, weekday }))
              .sort((a, b) => a.week - b.week || a.weekday - b.weekday),
          );
          const own = days.map((day) => plannedDate(RULES, { timeZone: 'UTC', startsOn, weekdays }, day));
          for (let i = 1; i < own.length; i++) expect(own[i]! > own[i - 1]!).toBe(true);
          days.forEach((day, i) => {
            expect(own[i]! >= addDays(startsOn, (day.week - 1) * 7)).toBe(true);
            expect(own[i]! < addDays(startsOn, day.week * 7)).toBe(true);
            if (day.of <= weekdays.length) expect(weekdays).toContain(weekdayOf(own[i]!));
          });
        },
      ),
    );
  });
});

describe('one instant for all', () => {
  const rules: RunRules = {
    ...RULES,
    releaseTime: '18:00',
    releaseZone: 'Europe/Lisbon',
    lookAheadDays: 2,
    makeUpDays: 1,
  };
  const [monday] = toRunDays([{ week: 1, weekday: 1 }]);

  test('is the same everywhere, on whichever date it is there', () => {
    const lisbon = ownDay(rules, { timeZone: 'Europe/Lisbon' }, monday!);
    const auckland = ownDay(rules, { timeZone: 'Pacific/Auckland' }, monday!);
    expect(auckland.releaseMs).toBe(lisbon.releaseMs);
    expect([lisbon.date, auckland.date]).toEqual(['2026-01-05', '2026-01-06']);
  });

  test('may be looked at so many days before, and made up until the end of so many days after, on their own clock', () => {
    const own = ownDay(rules, { timeZone: 'Pacific/Auckland' }, monday!);
    expect(own.releaseMs - own.lookMs).toBe(2 * 86_400_000);
    expect(localDate(own.closesMs!, 'Pacific/Auckland')).toBe('2026-01-08');
    expect(localTime(own.closesMs!, 'Pacific/Auckland')).toBe('00:00');
    expect(ownDay({ ...rules, makeUpDays: null }, { timeZone: 'UTC' }, monday!).closesMs).toBeNull();
    expect(ownDay({ ...rules, makeUpDays: 0 }, { timeZone: 'UTC' }, monday!).closesMs).toBe(
      Temporal.Instant.from('2026-01-06T00:00Z').epochMilliseconds,
    );
  });
});

test('a day’s place is among those of its week, in whatever order they come', () => {
  expect(
    toRunDays([
      { week: 2, weekday: 6 },
      { week: 1, weekday: 3 },
      { week: 2, weekday: 1 },
    ]).map((x) => [x.week, x.weekday, x.index, x.of]),
  ).toEqual([
    [2, 6, 1, 2],
    [1, 3, 0, 1],
    [2, 1, 0, 2],
  ]);
});

test('wall clocks are those of every zone, asked again within a minute and at its edges', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: Date.UTC(1972, 1), max: Date.UTC(2199, 11) }),
      fc.constantFrom(...Intl.supportedValuesOf('timeZone')),
      (ms, timeZone) => {
        const minuteMs = ms - (ms % 60_000);
        for (const at of [ms, minuteMs, minuteMs + 59_999, minuteMs - 1, minuteMs + 60_000]) {
          const parts = new Intl.DateTimeFormat('en-CA', {
            timeZone,
            hourCycle: 'h23',
            dateStyle: 'short',
            timeStyle: 'short',
          })
            .format(at)
            .split(', ');
          expect([localDate(at, timeZone), localTime(at, timeZone)]).toEqual(parts);
        }
      },
    ),
    { numRuns: runs(300) },
  );
  expect(() => localDate(0, 'Mars/Base')).toThrow(RangeError);
});
