import type { Score } from '../scores/score.ts';
import type { ScoredWork } from '../scores/relative-change.ts';
import { relativeChange } from '../scores/relative-change.ts';
import { quantileSorted } from 'd3-array';
import type { DayDate } from '../../calendar/day.ts';
import { daysBetween } from '../../calendar/days-between.ts';
import { groupBy } from '../../group-by.ts';
import { monotony, sessionLoad } from '../../progress/week/training-load.ts';
import type { Share, Survival, SurvivalStep } from './shares.ts';
import { kaplanMeier, medianSurvival, wilson } from './shares.ts';
import type { DayState } from '../adherence/strand.ts';
import { isKept, isOwed } from '../adherence/strand.ts';

/** A day of the plan with what it was. */
export interface InsightDay {
  readonly dayId: number;
  /** Its place, as in addresses: `w3d5`. */
  readonly key: string;
  readonly week: number;
  readonly weekdayName: string;
  readonly title: string;
  readonly form: string;
  readonly theme: string;
  readonly likelySec: number;
  readonly planned: number | null;
}

/** Someone over the days of the plan. */
export interface InsightPerson {
  readonly states: readonly DayState[];
  readonly dates: readonly DayDate[];
  /** What stands of each day; its effort is the felt one, its share 0 to 1. */
  readonly records: readonly ({ readonly effort?: number | null; readonly shareRatio: number } | undefined)[];
  readonly joinedOn: DayDate;
  readonly leftOn: DayDate | null;
  readonly today: DayDate;
}

/** How much was done of what is alike. */
export interface Completion {
  readonly label: string;
  readonly share: Share;
  /** The days behind it on which something was due, in the order of the plan. */
  readonly days: readonly DayShare[];
}

/** What was done of a day. */
export interface DayShare {
  readonly key: string;
  readonly title: string;
  readonly done: number;
  readonly due: number;
}

export const COMPLETION_BY = ['week', 'weekday', 'length', 'form', 'theme'] as const;
export type CompletionBy = (typeof COMPLETION_BY)[number];

const LENGTHS = [
  [15, 'up to 15 min'],
  [25, '16 to 25 min'],
  [40, '26 to 40 min'],
  [Infinity, 'over 40 min'],
] as const;
const lengthOf = (likelySec: number): string => LENGTHS.find(([most]) => Math.round(likelySec / 60) <= most)![1];

/** What a day counts under. */
const labelOf: Record<CompletionBy, (day: InsightDay) => string> = {
  week: (d) => `week ${d.week}`,
  weekday: (d) => d.weekdayName,
  length: (d) => lengthOf(d.likelySec),
  form: (d) => d.form,
  theme: (d) => d.theme,
};

/** What came of one day: how many owed it, how many did it, and how often each effort was said, 0 to 10. */
export interface DayCount {
  due: number;
  done: number;
  readonly efforts: number[];
  /** Efforts that were said, each times the share of the session that was done. */
  effortDone: number;
}

/** What came of each day, in the order of the days; in one pass over everybody. */
export function countDays(people: readonly InsightPerson[], days: number): DayCount[] {
  const counts = Array.from({ length: days }, (): DayCount => ({
    due: 0,
    done: 0,
    efforts: new Array<number>(11).fill(0),
    effortDone: 0,
  }));
  for (const { states, records } of people)
    for (let i = 0; i < days; i++) {
      const state = states[i]!;
      const kept = isKept(state);
      if (!kept && !isOwed(state)) continue;
      const count = counts[i]!;
      count.due++;
      if (!kept) continue;
      count.done++;
      const record = records[i];
      if (record?.effort === null || record?.effort === undefined) continue;
      count.efforts[record.effort]!++;
      count.effortDone += record.effort * record.shareRatio;
    }
  return counts;
}

/** What was done of what was due, under each label, in the order of the plan; lengths from short to long. Days without a label are left out. */
export function completionBy(
  by: CompletionBy,
  days: readonly InsightDay[],
  counts: readonly { readonly due: number; readonly done: number }[],
): Completion[] {
  const owed = days.flatMap((day, i): (DayShare & { label: string })[] => {
    const { due, done } = counts[i]!;
    const label = labelOf[by](day);
    return label === '' || due === 0 ? [] : [{ label, key: day.key, title: day.title, done, due }];
  });
  const found = [...groupBy(owed, (d) => d.label)].map(([label, own]): Completion => {
    const sum = (of: 'done' | 'due') => own.reduce((n, d) => n + d[of], 0);
    return {
      label,
      share: wilson(sum('done'), sum('due'))!,
      days: own.map(({ key, title, done, due }) => ({ key, title, done, due })),
    };
  });
  const order = LENGTHS.map(([, words]) => words as string);
  return by === 'length' ? found.sort((a, b) => order.indexOf(a.label) - order.indexOf(b.label)) : found;
}

/**
 * How long someone took part, in whole weeks from joining: to the day on which they left; or to the last day done where `lostAfter` due
 * days without one followed; else they are still there. Who did nothing dropped off in week 1. Undefined before anything was due.
 */
export function survivalOf(
  { states, dates, joinedOn, leftOn, today }: InsightPerson,
  lostAfter: number,
): Survival | undefined {
  let last: DayDate | undefined;
  let missed = 0;
  let due = 0;
  let first: DayDate | undefined;
  for (const [i, state] of states.entries()) {
    if (!isOwed(state)) continue;
    due++;
    first ??= dates[i]!;
    if (isKept(state)) {
      last = dates[i]!;
      missed = 0;
    } else missed++;
  }
  if (due === 0 || first === undefined) return undefined;
  const from = first < joinedOn ? joinedOn : first;
  const week = (to: DayDate) => Math.max(1, Math.floor(daysBetween(from, to) / 7) + 1);
  if (leftOn !== null && leftOn <= today) return { time: week(leftOn), isEvent: true };
  if (missed >= lostAfter) return { time: last === undefined ? 1 : week(last), isEvent: true };
  return { time: week(today), isEvent: false };
}

export interface DropOff {
  readonly people: number;
  readonly gone: number;
  readonly steps: readonly SurvivalStep[];
  /** Week by which half are gone; undefined where more are left. */
  readonly median: number | undefined;
  readonly lastWeek: number;
}

export function dropOff(people: readonly InsightPerson[], lostAfter: number): DropOff {
  const seen = people.flatMap((p) => survivalOf(p, lostAfter) ?? []);
  const steps = kaplanMeier(seen);
  return {
    people: seen.length,
    gone: seen.filter((s) => s.isEvent).length,
    steps,
    median: medianSurvival(steps),
    lastWeek: Math.max(1, ...seen.map((s) => s.time)),
  };
}

/** What one session was felt like, beside what was planned. */
export interface FeltDay {
  readonly dayId: number;
  readonly week: number;
  readonly title: string;
  readonly planned: number | null;
  readonly mean: number;
  /** Middle half of what was said. */
  readonly low: number;
  readonly high: number;
  readonly said: number;
  /** Felt effort times minutes done, a person of those who said it. */
  readonly loadAu: number;
  /** The same of all, a person of those due. */
  readonly loadPerDueAu: number;
}

/** The quantile of values of which each whole one is counted. */
function countedQuantile(counts: readonly number[], n: number, q: number): number {
  const valueAt = (place: number): number => {
    let seen = 0;
    for (const [value, count] of counts.entries()) {
      seen += count;
      if (place < seen) return value;
    }
    return counts.length - 1;
  };
  const at = (n - 1) * q;
  const [low, high] = [valueAt(Math.floor(at)), valueAt(Math.ceil(at))];
  return low + (high - low) * (at - Math.floor(at));
}

/** Effort planned and felt, session by session; those of which nobody said anything are left out. */
export const feltDays = (
  days: readonly InsightDay[],
  counts: readonly Pick<DayCount, 'due' | 'efforts' | 'effortDone'>[],
): FeltDay[] =>
  days.flatMap((d, i): FeltDay[] => {
    const { due, efforts, effortDone } = counts[i]!;
    const said = efforts.reduce((a, b) => a + b, 0);
    if (said === 0) return [];
    return [
      {
        dayId: d.dayId,
        week: d.week,
        title: d.title,
        planned: d.planned,
        mean: efforts.reduce((sum, count, effort) => sum + count * effort, 0) / said,
        low: countedQuantile(efforts, said, 0.25),
        high: countedQuantile(efforts, said, 0.75),
        said,
        loadAu: sessionLoad(effortDone / said, d.likelySec)!,
        loadPerDueAu: sessionLoad(effortDone / due, d.likelySec)!,
      },
    ];
  });

/** The load of a week, planned, and felt effort times minutes done, in arbitrary units a person (docs/formulas.md 2). */
export interface WeekLoad {
  readonly week: number;
  readonly plannedAu: number | undefined;
  /** A person of those who said how it felt; undefined where a session of the week was rated by nobody. */
  readonly feltAu: number | undefined;
  /** A person of those due: what wasn't rated, or not done, adds nothing. */
  readonly perDueAu: number | undefined;
  /** Of the felt load, where each session of the week was rated by somebody; rest days are 0. */
  readonly monotony: number | undefined;
  readonly strain: number | undefined;
  /** Ratings that it rests on, and how many there could be. */
  readonly said: number;
  readonly due: number;
}

/** The loads of whole weeks: `days` are all sent sessions of weeks that are over. */
export function weekLoads(
  days: readonly (InsightDay & { readonly due: number })[],
  felt: readonly FeltDay[],
): WeekLoad[] {
  const feltOf = new Map(felt.map((f) => [f.dayId, f]));
  const weeks = [...new Set(days.map((d) => d.week))].sort((a, b) => a - b);
  return weeks.map((week): WeekLoad => {
    const own = days.filter((d) => d.week === week);
    const planned = own.map((d) => sessionLoad(d.planned ?? undefined, d.likelySec));
    const loads = own.map((d) => feltOf.get(d.dayId)?.loadAu);
    const sum = (list: readonly (number | undefined)[]) =>
      list.some((l) => l === undefined) ? undefined : list.reduce<number>((a, b) => a + b!, 0);
    const feltAu = sum(loads);
    // An unrated session is missing, not 0; a day without one is rest.
    const daily = Array.from({ length: 7 }, (_, i) => loads[i] ?? 0);
    const m = feltAu === undefined ? undefined : monotony(daily);
    return {
      week,
      plannedAu: sum(planned),
      feltAu,
      perDueAu: loads.every((l) => l === undefined)
        ? undefined
        : own.reduce((n, d) => n + (feltOf.get(d.dayId)?.loadPerDueAu ?? 0), 0),
      monotony: m,
      strain: m === undefined ? undefined : m * feltAu!,
      said: own.reduce((n, d) => n + (feltOf.get(d.dayId)?.said ?? 0), 0),
      due: own.reduce((n, d) => n + d.due, 0),
    };
  });
}

/** Someone's first and last score of a retest in one shape. */
export interface RetestSlope {
  readonly label: string;
  readonly firstOn: DayDate;
  readonly lastOn: DayDate;
  readonly firstWords: string;
  readonly lastWords: string;
  /** Change in per cent of the first; more is better. */
  readonly changePct: number;
}

export interface SlopeScore {
  readonly key: string;
  readonly label: string;
  readonly date: DayDate;
  readonly score: Score;
  readonly work: ScoredWork;
  readonly words: string;
}

/** First against last of each retest, shapes never mixed: equal keys alone. One score is no slope, nor are two of which nobody can tell by how much. */
export function retestSlopes(scores: readonly SlopeScore[]): RetestSlope[] {
  const byKey = new Map<string, SlopeScore[]>();
  for (const s of scores) byKey.set(s.key, [...(byKey.get(s.key) ?? []), s]);
  return [...byKey.values()].flatMap((own): RetestSlope[] => {
    const ordered = own.toSorted((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
    const [first, last] = [ordered[0]!, ordered.at(-1)!];
    const change = first.date === last.date ? null : relativeChange(last.score, first.score, last.work);
    if (change === null) return [];
    return [
      {
        label: first.label,
        firstOn: first.date,
        lastOn: last.date,
        firstWords: first.words,
        lastWords: last.words,
        changePct: 100 * change,
      },
    ];
  });
}

/** The slopes of many, by retest: how many went up, and the middle of the change. */
export interface SlopeSummary {
  readonly label: string;
  readonly people: number;
  readonly better: Share;
  readonly medianPct: number;
  readonly slopes: readonly RetestSlope[];
}

export function summariseSlopes(slopes: readonly RetestSlope[]): SlopeSummary[] {
  const labels = [...new Set(slopes.map((s) => s.label))].sort();
  return labels.map((label) => {
    const own = slopes.filter((s) => s.label === label);
    const sorted = own.map((s) => s.changePct).sort((a, b) => a - b);
    return {
      label,
      people: own.length,
      better: wilson(own.filter((s) => s.changePct > 0).length, own.length)!,
      medianPct: quantileSorted(sorted, 0.5)!,
      slopes: own,
    };
  });
}

/** Where sessions done in part were left, by block: its name, and of how many. */
export interface LeftAt {
  readonly title: string;
  readonly block: string;
  readonly count: number;
  readonly of: number;
}

/** The block in which a share of a session ends, by the likely lengths of its blocks. */
export function blockAtShare(
  blocks: readonly { readonly name: string; readonly likelySec: number }[],
  share: number,
): string {
  const total = blocks.reduce((n, b) => n + b.likelySec, 0);
  let at = 0;
  for (const b of blocks) {
    at += b.likelySec;
    if (at >= share * total - 1e-9) return b.name;
  }
  return blocks.at(-1)?.name ?? '';
}
