import { wholeMinutes } from '../../words/words.ts';
import type { Pattern } from '../../movement/movement.ts';
import type { WeekPlan } from '../plan-programme.ts';
import { findLoadChange, findWeekChange, formatChange, isPause, isRated, isWhole } from '../week/week-change.ts';
import type { Guard } from './guard.ts';
import { formatWeeks } from './guard.ts';

/** Fewer repetitions more than this are not worth a word. */
const LEAST_REPS_MORE = 20;

interface Measure {
  readonly code: 'load-change' | 'work-change' | 'reps-change';
  readonly of: (week: WeekPlan) => number;
  readonly show: (value: number) => string;
  readonly name: string;
  /** A smaller difference isn't worth a word. */
  readonly least: number;
  readonly fits?: typeof isWhole;
}

function findChange(weeks: readonly WeekPlan[], thresholdPct: number, measure: Measure): Guard[] {
  return weeks.flatMap((week, i): Guard[] => {
    const change = week.isLighter ? undefined : findWeekChange(weeks, i, measure.of, measure.fits);
    if (!change || change.pct <= thresholdPct || change.now - change.was < measure.least) return [];
    const { against } = change;
    const before = weeks[i - 1]!;
    const between =
      against === before
        ? ''
        : isPause(before)
          ? ` After a week without sessions; this is against week ${against.week}.`
          : ` After a lighter week (${measure.show(measure.of(before))}) that is the plan; this is against week ${against.week}.`;
    return [
      {
        code: measure.code,
        weeks: [week.week],
        places: [],
        subject: `Week ${against.week} → ${week.week}`,
        threshold: thresholdPct,
        message: `${measure.name} ${measure.show(change.was)} → ${measure.show(change.now)}, ${formatChange(change.pct, 1)}.${between}`,
      },
    ];
  });
}

export const findLoadChanges = (weeks: readonly WeekPlan[], thresholdPct: number): Guard[] =>
  findChange(weeks, thresholdPct, {
    code: 'load-change',
    of: (w) => w.loadAu,
    show: (v) => String(Math.round(v)),
    name: 'Planned load',
    least: 0,
    fits: isRated,
  });

export const findWorkChanges = (weeks: readonly WeekPlan[], thresholdPct: number): Guard[] =>
  findChange(weeks, thresholdPct, {
    code: 'work-change',
    of: (w) => w.workSec,
    show: (v) => `${wholeMinutes(v)} min`,
    name: 'Work',
    least: 60,
  });

export function findRepsChanges(weeks: readonly WeekPlan[], thresholdPct: number): Guard[] {
  const patterns = [...new Set(weeks.flatMap((w) => Object.keys(w.repsByPattern) as Pattern[]))].filter(
    (p) => p !== 'mobility',
  );
  return patterns.flatMap((pattern) =>
    findChange(weeks, thresholdPct, {
      code: 'reps-change',
      of: (w) => w.repsByPattern[pattern] ?? 0,
      show: String,
      name: `Repetitions of ${pattern}`,
      least: LEAST_REPS_MORE,
    }),
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
            subject: `Week ${week.week}, lighter`,
            threshold: thresholdPct,
            message: `Planned load ${Math.round(change.was)} → ${Math.round(change.now)}, ${formatChange(change.pct, 1)} on week ${change.against.week}.`,
          },
        ];
  });
}

/** `3.00`, or `2.69 to 3.02` over several. */
function formatSpan(values: readonly number[], digits: number): string {
  const [low, high] = [Math.min(...values).toFixed(digits), Math.max(...values).toFixed(digits)];
  return low === high ? low : `${low} to ${high}`;
}

export function findMonotony(weeks: readonly WeekPlan[], threshold: number): Guard[] {
  const alike = weeks.filter((w) => w.monotony !== undefined && w.monotony > threshold);
  if (alike.length === 0) return [];
  const own = alike.map((w) => w.week);
  return [
    {
      code: 'monotony',
      weeks: own,
      places: [],
      subject: formatWeeks(own).replace(/^w/, 'W'),
      threshold,
      message: `The days are much alike: load ${formatSpan(
        alike.map((w) => w.loadAu),
        0,
      )}, monotony ${formatSpan(
        alike.map((w) => w.monotony!),
        2,
      )} (sample SD), strain ${formatSpan(
        alike.map((w) => w.strainAu!),
        0,
      )}.`,
    },
  ];
}

export function findNoLighterWeek(weeks: readonly WeekPlan[], threshold: number): Guard[] {
  const out: Guard[] = [];
  let run: number[] = [];
  const close = () => {
    if (run.length >= threshold) {
      out.push({
        code: 'no-lighter-week',
        weeks: run,
        places: [],
        subject: `Weeks ${run[0]} to ${run.at(-1)}`,
        threshold,
        message: `${run.length} weeks without a lighter one.`,
      });
    }
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
  return [...new Set(short.map((s) => s.days))].map((days) => {
    const own = short.filter((s) => s.days === days).map((s) => s.week);
    return {
      code: 'strength-days',
      weeks: own,
      places: [],
      subject: formatWeeks(own).replace(/^w/, 'W'),
      threshold,
      message: days === 0 ? 'No strength day.' : `${days} strength ${days === 1 ? 'day' : 'days'}.`,
    };
  });
}
