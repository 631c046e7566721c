import { groupBy } from '../../group-by.ts';
import type { Pattern } from '../../movement/movement.ts';
import type { WeekPlan } from '../plan-programme.ts';
import { findLoadChange, findWeekChange, isPause, isRated, isWhole } from '../week/week-change.ts';
import type { Between, Guard, Span } from './guard.ts';

/** Fewer repetitions more than this, or less work, are not worth a word. */
const LEAST_REPS_MORE = 20;
const LEAST_WORK_MORE_SEC = 60;

interface Measure {
  readonly of: (week: WeekPlan) => number;
  /** A smaller difference isn't worth a word. */
  readonly least: number;
  readonly fits?: typeof isWhole;
}

/** A week's figures, and what is between it and the week that it is held against. */
type Change = Pick<Guard, 'weeks' | 'places' | 'threshold'> & {
  readonly was: number;
  readonly now: number;
  readonly pct: number;
  readonly against: number;
  readonly between?: Between;
};

function findChanges(weeks: readonly WeekPlan[], thresholdPct: number, measure: Measure): Change[] {
  return weeks.flatMap((week, i): Change[] => {
    const change = week.isLighter ? undefined : findWeekChange(weeks, i, measure.of, measure.fits);
    if (!change || change.pct < thresholdPct || change.now - change.was < measure.least) return [];
    const before = weeks[i - 1]!;
    const between: Between = isPause(before) ? { kind: 'pause' } : { kind: 'lighter', value: measure.of(before) };
    return [
      {
        weeks: [week.week],
        places: [],
        threshold: thresholdPct,
        ...change,
        against: change.against.week,
        ...(change.against !== before && { between }),
      },
    ];
  });
}

export const findLoadChanges = (weeks: readonly WeekPlan[], thresholdPct: number): Guard[] =>
  findChanges(weeks, thresholdPct, { of: (w) => w.loadAu, least: 0, fits: isRated }).map((change) => ({
    code: 'load-change',
    ...change,
  }));

export const findWorkChanges = (weeks: readonly WeekPlan[], thresholdPct: number): Guard[] =>
  findChanges(weeks, thresholdPct, { of: (w) => w.workSec, least: LEAST_WORK_MORE_SEC }).map((change) => ({
    code: 'work-change',
    ...change,
  }));

export function findRepsChanges(weeks: readonly WeekPlan[], thresholdPct: number): Guard[] {
  const patterns = [...new Set(weeks.flatMap((w) => Object.keys(w.repsByPattern) as Pattern[]))].filter(
    (p) => p !== 'mobility',
  );
  return patterns.flatMap((pattern) =>
    findChanges(weeks, thresholdPct, { of: (w) => w.repsByPattern[pattern] ?? 0, least: LEAST_REPS_MORE }).map(
      (change): Guard => ({ code: 'reps-change', pattern, ...change }),
    ),
  );
}

/** Weeks called lighter whose planned load is hardly less than that of the last other week. */
export function findHeavyLighterWeeks(weeks: readonly WeekPlan[], thresholdPct: number): Guard[] {
  return weeks.flatMap((week, i): Guard[] => {
    const change = week.isLighter ? findLoadChange(weeks, i) : undefined;
    return !change || change.pct <= -thresholdPct
      ? []
      : [
          {
            code: 'lighter-week',
            weeks: [week.week],
            places: [],
            threshold: thresholdPct,
            was: change.was,
            now: change.now,
            pct: change.pct,
            against: change.against.week,
          },
        ];
  });
}

const spanOf = (values: readonly number[]): Span => [Math.min(...values), Math.max(...values)];

export function findMonotony(weeks: readonly WeekPlan[], threshold: number): Guard[] {
  const alike = weeks.filter((w) => w.monotony !== undefined && w.monotony >= threshold);
  if (alike.length === 0) return [];
  return [
    {
      code: 'monotony',
      weeks: alike.map((w) => w.week),
      places: [],
      threshold,
      loadAu: spanOf(alike.map((w) => w.loadAu)),
      monotony: spanOf(alike.map((w) => w.monotony!)),
      strainAu: spanOf(alike.map((w) => w.strainAu!)),
    },
  ];
}

export function findNoLighterWeek(weeks: readonly WeekPlan[], threshold: number): Guard[] {
  const out: Guard[] = [];
  let run: number[] = [];
  const close = () => {
    if (run.length >= threshold) out.push({ code: 'no-lighter-week', weeks: run, places: [], threshold });
    run = [];
  };
  for (const w of weeks) {
    if (w.isLighter || isPause(w)) close();
    else run.push(w.week);
  }
  close();
  return out;
}

export function findFewStrengthDays(
  weeks: readonly WeekPlan[],
  threshold: number,
  isStrength: (week: WeekPlan, weekday: number) => boolean,
): Guard[] {
  const short = weeks
    .filter((w) => isWhole(w) && !w.isLighter)
    .map((w) => ({ week: w.week, days: w.days.filter((d, i) => d?.plan && isStrength(w, i + 1)).length }))
    .filter((w) => w.days < threshold);
  return [...groupBy(short, (s) => s.days).entries()].map(([days, own]) => ({
    code: 'strength-days',
    weeks: own.map((s) => s.week),
    places: [],
    threshold,
    days,
  }));
}
