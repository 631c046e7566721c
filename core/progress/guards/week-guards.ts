import { wholeMinutes } from '../../session/explain.ts';
import type { Pattern } from '../../movement/movement.ts';
import type { WeekPlan } from '../plan-programme.ts';
import { changePct } from '../training-load.ts';
import type { Guard } from './guard.ts';
import { formatWeeks } from './guard.ts';

/** Fewer repetitions more than this are not worth a word. */
const LEAST_REPS_MORE = 20;

const signedPct = (pct: number): string => `${pct >= 0 ? '+' : '−'}${Math.abs(pct) < 100 ? Math.round(Math.abs(pct) * 10) / 10 : Math.round(Math.abs(pct))} %`;

/** A week that can be compared: all of it written. */
const isWhole = (week: WeekPlan | undefined): week is WeekPlan => week !== undefined && week.toWrite === 0 && week.likelySec > 0;

/** The week before, and where that is lighter (or empty) the last one that isn't. */
function weeksBefore(weeks: readonly WeekPlan[], at: number): { before: WeekPlan; usual: WeekPlan } | undefined {
  const before = weeks[at - 1];
  const usual = weeks.slice(0, at).findLast((w) => !w.isLighter && isWhole(w));
  if (!before || !usual || !isWhole(before)) return undefined;
  return { before, usual };
}

interface Measure {
  readonly code: 'load-change' | 'work-change' | 'reps-change';
  readonly of: (week: WeekPlan) => number;
  readonly show: (value: number) => string;
  readonly name: string;
  readonly least: number;
}

function findChange(weeks: readonly WeekPlan[], thresholdPct: number, measure: Measure): Guard[] {
  return weeks.flatMap((week, i): Guard[] => {
    const at = weeksBefore(weeks, i);
    if (!at || !isWhole(week) || week.isLighter) return [];
    const [was, usual, now] = [measure.of(at.before), measure.of(at.usual), measure.of(week)];
    const pct = changePct(usual, now);
    if (pct === undefined || pct <= thresholdPct || now - usual < measure.least) return [];
    const against = at.usual === at.before ? '' : ` After a lighter week (${measure.show(was)}) that is the plan; this is against week ${at.usual.week}.`;
    return [{
      code: measure.code, weeks: [week.week], places: [], subject: `Week ${at.usual.week} → ${week.week}`, threshold: thresholdPct,
      message: `${measure.name} ${measure.show(usual)} → ${measure.show(now)}, ${signedPct(pct)}.${against}`,
    }];
  });
}

export const findLoadChanges = (weeks: readonly WeekPlan[], thresholdPct: number): Guard[] => findChange(
  weeks.map((w) => (w.unratedSessions > 0 ? { ...w, toWrite: w.toWrite + w.unratedSessions } : w)), thresholdPct,
  { code: 'load-change', of: (w) => w.loadAu, show: (v) => String(Math.round(v)), name: 'Planned load', least: 0 });

export const findWorkChanges = (weeks: readonly WeekPlan[], thresholdPct: number): Guard[] =>
  findChange(weeks, thresholdPct, { code: 'work-change', of: (w) => w.workSec, show: (v) => `${wholeMinutes(v)} min`, name: 'Work', least: 60 });

export function findRepsChanges(weeks: readonly WeekPlan[], thresholdPct: number): Guard[] {
  const patterns = [...new Set(weeks.flatMap((w) => Object.keys(w.repsByPattern) as Pattern[]))].filter((p) => p !== 'mobility');
  return patterns.flatMap((pattern) => findChange(weeks, thresholdPct, {
    code: 'reps-change', of: (w) => w.repsByPattern[pattern] ?? 0, show: String, name: `Repetitions of ${pattern}`, least: LEAST_REPS_MORE,
  }));
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
  return [{
    code: 'monotony', weeks: own, places: [], subject: formatWeeks(own).replace(/^w/, 'W'), threshold,
    message: `The days are much alike: load ${formatSpan(alike.map((w) => w.loadAu), 0)}, monotony ${formatSpan(alike.map((w) => w.monotony!), 2)} (sample SD), strain ${formatSpan(alike.map((w) => w.strainAu!), 0)}.`,
  }];
}

export function findNoLighterWeek(weeks: readonly WeekPlan[], threshold: number): Guard[] {
  const out: Guard[] = [];
  let run: number[] = [];
  const close = () => {
    if (run.length >= threshold) {
      out.push({ code: 'no-lighter-week', weeks: run, places: [], subject: `Weeks ${run[0]} to ${run.at(-1)}`, threshold, message: `${run.length} weeks without a lighter one.` });
    }
    run = [];
  };
  for (const w of weeks) {
    if (w.isLighter || w.days.every((d) => d === undefined)) close();
    else run.push(w.week);
  }
  close();
  return out;
}

export function findFewStrengthDays(weeks: readonly WeekPlan[], threshold: number, isStrength: (week: WeekPlan, weekday: number) => boolean): Guard[] {
  const short = weeks.filter((w) => isWhole(w) && !w.isLighter).map((w) => ({ week: w.week, days: w.days.filter((d, i) => d?.plan && isStrength(w, i + 1)).length })).filter((w) => w.days < threshold);
  return [...new Set(short.map((s) => s.days))].map((days) => {
    const own = short.filter((s) => s.days === days).map((s) => s.week);
    return { code: 'strength-days', weeks: own, places: [], subject: formatWeeks(own).replace(/^w/, 'W'), threshold, message: days === 0 ? 'No strength day.' : `${days} strength ${days === 1 ? 'day' : 'days'}.` };
  });
}
