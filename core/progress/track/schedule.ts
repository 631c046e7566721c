import { assertNever } from '../../assert-never.ts';
import type { Lever } from '../levers/lever.ts';

/** How far a lever is pulled week by week, as an offset from what the track's session says. Weeks count from 1. */
export type Schedule =
  /** So much more with every week that isn't lighter. */
  | { readonly kind: 'each-week'; readonly by: number }
  /** From that week on so much more. */
  | { readonly kind: 'at-weeks'; readonly steps: readonly { readonly week: number; readonly by: number }[] }
  /** Offsets week by week, lighter weeks included; the last one stands for what comes after. */
  | { readonly kind: 'list'; readonly values: readonly number[] }
  /** So much more each week up to a lighter one, then from the start again, `carry` higher. */
  | { readonly kind: 'wave'; readonly by: number; readonly carry: number }
  /** Repetitions grow by one a week to the ceiling; then the load goes up by so many kg and they start again. */
  | { readonly kind: 'double'; readonly ceiling: number; readonly loadBy: number }
  /** So much more each week for as long as the session is likely to last at most `sec`. */
  | { readonly kind: 'until-length'; readonly by: number; readonly sec: number };

export type ScheduleKind = Schedule['kind'];

export interface LeverRule {
  readonly lever: Lever;
  readonly schedule: Schedule;
  /** The offset in a lighter week. Absent: as in the week before. */
  readonly lighterBy?: number;
  /** Lighter weeks of the progression that this lever takes like any other. */
  readonly notLighterIn?: readonly number[];
}

/** What a lever is pulled by in one week. A double progression pulls two. */
export interface Pull {
  readonly lever: Lever;
  readonly by: number;
  /** Fewer repetitions in a lighter week: each line loses the same share, which `by` is of their mean. */
  readonly inProportion?: true;
}

export interface ScheduleScope {
  /** Weeks of the progression that are lighter. */
  readonly lighter: readonly number[];
  /** The written repetitions that a double progression starts from; undefined where none are written. */
  readonly baseReps?: number | undefined;
  /** The largest number of steps of an `until-length` schedule; 0 where even the first is too long. */
  readonly mostSteps?: number | undefined;
}

/**
 * The lighter weeks that count for a rule: not those that it is told to pass by, nor those in which it says a step of its own, so that
 * what is said of a week is what happens in it.
 */
export const lighterFor = ({ schedule, notLighterIn = [] }: LeverRule, lighter: readonly number[]): readonly number[] =>
  lighter.filter(
    (week) =>
      !notLighterIn.includes(week) &&
      !(schedule.kind === 'at-weeks' && schedule.steps.some((s) => s.week === week && s.by !== 0)),
  );

/** Weeks that aren't lighter, up to and including `week`. */
export const buildWeeks = (lighter: readonly number[], week: number): number =>
  week - lighter.filter((l) => l <= week).length;

/**
 * The offsets of a rule in a week. In a lighter week it is the rule's `lighterBy`, or else what the last other week
 * had (0 before the first). A week below 1 is a RangeError.
 */
export function pullsAt(rule: LeverRule, week: number, all: ScheduleScope): Pull[] {
  if (!Number.isInteger(week) || week < 1) throw new RangeError(`a week counts from 1, not ${week}`);
  const { lever, schedule } = rule;
  const scope: ScheduleScope = { ...all, lighter: lighterFor(rule, all.lighter) };
  if (schedule.kind === 'list')
    return [{ lever, by: schedule.values[Math.min(week, schedule.values.length) - 1] ?? 0 }];
  if (scope.lighter.includes(week)) {
    let before = week - 1;
    while (before > 0 && scope.lighter.includes(before)) before--;
    const kept = before > 0 ? pullsAt(rule, before, scope) : [{ lever, by: 0 }];
    if (rule.lighterBy === undefined) return kept;
    const isFewer = lever.kind === 'reps' && rule.lighterBy < 0;
    return [{ lever, by: rule.lighterBy, ...(isFewer && { inProportion: true }) }, ...kept.slice(1)];
  }
  const at = buildWeeks(scope.lighter, week) - 1;
  switch (schedule.kind) {
    case 'each-week':
      return [{ lever, by: schedule.by * at }];
    case 'at-weeks':
      return [{ lever, by: schedule.steps.reduce((sum, s) => sum + (s.week <= week ? s.by : 0), 0) }];
    case 'wave': {
      const easyBefore = scope.lighter.filter((l) => l < week);
      const since = week - 1 - Math.max(0, ...easyBefore);
      return [{ lever, by: easyBefore.length * schedule.carry + since * schedule.by }];
    }
    case 'double': {
      const span = Math.max(0, schedule.ceiling - (scope.baseReps ?? schedule.ceiling));
      const load: Lever = {
        kind: 'load',
        ...(lever.of && lever.of !== 'list' && { of: lever.of }),
        ...(lever.in && { in: lever.in }),
      };
      return [
        { lever, by: at % (span + 1) },
        { lever: load, by: Math.floor(at / (span + 1)) * schedule.loadBy },
      ];
    }
    case 'until-length':
      return [{ lever, by: schedule.by * Math.min(at, scope.mostSteps ?? at) }];
    default:
      return assertNever(schedule);
  }
}
