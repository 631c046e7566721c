import { expect, test } from 'vitest';
import type { Absence } from '../../core/calendar/absence.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays } from '../../core/calendar/day.ts';
import { toRunDays } from '../../core/calendar/release.ts';
import type { RunRules } from '../../core/calendar/release.ts';
import { dayStates, ownCalendars, workOf } from '../../core/record/adherence/build-strand.ts';
import { lostAfterDue } from '../../core/record/adherence/rhythm.ts';
import type { Standing } from '../../core/record/adherence/strand.ts';
import { computeAdherence, isStillHere } from '../../core/record/adherence/strand.ts';
import type { InsightDay } from '../../core/record/insights/insights.ts';
import { seededRandom } from '../../demo/random.ts';
import { isLong } from '../long.ts';
import type { OursPerson } from './compare-fixture.ts';
import { samePerson, sameRun } from './compare-fixture.ts';
import type { RawDay, RawPerson, RawRecord, RawRun } from './recompute.ts';

const START = '2026-03-02' as DayDate;
const DAY_MS = 86_400_000;
const ZONES = ['Europe/Lisbon', 'America/New_York', 'Asia/Kathmandu', 'Australia/Lord_Howe', 'Pacific/Auckland', 'UTC'];

/** A run by chance, as rows: zones, late joiners, leavers, pauses, days unsent or sent late, records in part, late, corrected, of free days. */
function randomRun(random: () => number): RawRun {
  const below = (n: number) => Math.floor(random() * n);
  const weeks = 1 + below(7);
  const weekdays = [1, 2, 3, 4, 5, 6, 7].filter(() => random() < 0.5);
  const days = Array.from({ length: weeks }, (_, w) => w + 1).flatMap((week) =>
    weekdays.map((weekday): RawDay => {
      const likelySec = 300 + 60 * below(40);
      const startMs = Date.parse(addDays(START, 7 * (week - 1) + weekday - 1));
      return {
        week,
        weekday,
        sent: random() < 0.9,
        firstSentMs: startMs + (random() < 0.9 ? -2 * DAY_MS : below(40) * 3_600_000),
        effort: random() < 0.85 ? below(11) : null,
        likelySec,
        workSec: Math.round(likelySec * (0.3 + 0.6 * random())),
      };
    }),
  );
  const alike = random() < 0.1;
  const people = Array.from({ length: below(60) }, (): RawPerson => {
    const joinedOn = addDays(START, random() < 0.7 ? 0 : below(7 * weeks));
    const keeps = random();
    const records = days.flatMap((day, place): RawRecord[] => {
      if (random() > keeps) return [];
      const at = Date.parse(addDays(START, 7 * (day.week - 1) + day.weekday - 1)) + below(60) * 3_600_000;
      const outcome = (['done', 'done', 'done', 'part', 'not-done'] as const)[below(5)]!;
      const one = (madeAtMs: number): RawRecord => ({
        day: place,
        outcome,
        share: outcome === 'done' ? 1 : outcome === 'part' ? 0.25 * (1 + below(3)) : 0,
        effort: outcome === 'not-done' || random() < 0.2 ? null : alike ? 5 : below(11),
        madeAtMs,
      });
      // Some are corrected, and some of those come in before what they correct.
      const again = random() < 0.1 ? [one(at + below(5) * 3_600_000 + 1)] : [];
      return random() < 0.5 ? [one(at), ...again] : [...again, one(at)];
    });
    const from = addDays(START, below(7 * weeks + 1));
    return {
      zone: ZONES[below(ZONES.length)]!,
      joinedOn,
      leftOn: random() < 0.15 ? addDays(START, below(7 * weeks + 7)) : null,
      startsOn: random() < 0.15 ? addDays(START, below(14)) : null,
      absences: random() < 0.2 ? [{ from, to: random() < 0.8 ? addDays(from, below(10)) : null }] : [],
      records,
    };
  });
  return {
    nowMs: Date.parse(START) + below((7 * weeks + 10) * 24) * 3_600_000 + 60_000 * below(60),
    startsOn: START,
    releaseTime: ['06:00', '01:30', '23:45'][below(3)]!,
    releaseZone: random() < 0.3 ? ZONES[below(ZONES.length)]! : null,
    makeUpDays: [null, null, 0, 2][below(4)]!,
    days,
    people,
  };
}

/** The same rows through what the project computes. */
function ours(raw: RawRun) {
  const rules: RunRules = {
    startsOn: raw.startsOn as DayDate,
    calendar: 'host',
    releaseTime: raw.releaseTime,
    releaseZone: raw.releaseZone,
    lookAheadDays: 0,
    makeUpDays: raw.makeUpDays,
  };
  const planned = toRunDays(raw.days.map((d, i) => ({ ...d, dayId: i })));
  const calendarOf = ownCalendars(rules, planned, raw.nowMs);
  const lostAfter = lostAfterDue(planned);
  const people = raw.people.map((p): OursPerson => {
    const person = { timeZone: p.zone, startsOn: p.startsOn as DayDate | null };
    const calendar = calendarOf(person);
    const absences: Absence[] = [
      ...p.absences.map((a) => ({ kind: 'pause' as const, from: a.from as DayDate, to: a.to as DayDate | null })),
      ...(p.leftOn ? [{ kind: 'pause' as const, from: addDays(p.leftOn as DayDate, 1), to: null }] : []),
    ];
    const records = raw.days.map((_, i): Standing | undefined => {
      const last = p.records
        .filter((r) => r.day === i)
        .reduce<RawRecord | undefined>((a, b) => (a && a.madeAtMs > b.madeAtMs ? a : b), undefined);
      return last && { outcome: last.outcome, shareRatio: last.share, effort: last.effort, madeAtMs: last.madeAtMs };
    });
    const states = dayStates(planned, { joinedOn: p.joinedOn as DayDate, absences, records }, calendar, raw.nowMs);
    const adherence = computeAdherence(states, { records, dates: calendar.dates, weights: workOf(planned) });
    return {
      states,
      dates: calendar.dates,
      records: records.map((r) => r && { shareRatio: r.shareRatio, effort: r.effort ?? null }),
      joinedOn: p.joinedOn as DayDate,
      leftOn: p.leftOn as DayDate | null,
      today: calendar.today,
      adherence,
      isHere: isStillHere(adherence, p.leftOn as DayDate | null, calendar.today, lostAfter),
    };
  });
  const days = raw.days.map((d, i): InsightDay => ({
    dayId: i,
    key: `w${d.week}d${d.weekday}`,
    week: d.week,
    weekdayName: String(d.weekday),
    title: '',
    form: '',
    theme: '',
    likelySec: d.likelySec,
    planned: d.effort,
  }));
  return { days, people, lostAfter };
}

test('2,000 random histories come to the same twice: by the project, and from raw rows by the page of formulas alone', () => {
  const random = seededRandom(isLong ? Date.now() : 27);
  let histories = 0;
  const seen = new Set<string>();
  while (histories < (isLong ? 20_000 : 2_000)) {
    const raw = randomRun(random);
    const run = ours(raw);
    for (const [i, person] of run.people.entries()) {
      samePerson(raw, i, person);
      for (const state of person.states) seen.add(state);
    }
    sameRun(raw, run);
    histories += run.people.length;
  }
  // Nothing that can become of a day was left out.
  expect([...seen].sort()).toEqual(
    [
      'ahead',
      'before',
      'bonus',
      'done',
      'due',
      'excused',
      'late',
      'missed',
      'not-done',
      'not-due',
      'part',
      'unsent',
    ].sort(),
  );
});
