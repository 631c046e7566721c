import { groupBy } from '../group-by.ts';
import type { Area, Pattern } from '../movement/movement.ts';
import type { DayPlan, DayPlanner } from './day-plan.ts';
import type { ProgrammeDay, ProgrammeDocument } from './programme-document.ts';
import { isLighterWeek } from './programme-document.ts';
import { monotony, strain } from './week/training-load.ts';

export interface PlannedDay {
  readonly day: ProgrammeDay;
  /** Undefined where the session is still to write. */
  readonly plan: DayPlan | undefined;
}

/** What a week asks, added up over its sessions. */
export interface WeekPlan {
  readonly week: number;
  readonly isLighter: boolean;
  /** By weekday, Monday first; undefined where there is no session. */
  readonly days: readonly (PlannedDay | undefined)[];
  readonly likelySec: number;
  readonly workSec: number;
  /** Sum of the planned loads; sessions without a planned effort are left out and counted in `unratedSessions`. */
  readonly loadAu: number;
  readonly unratedSessions: number;
  readonly toWrite: number;
  readonly repsByPattern: Readonly<Partial<Record<Pattern, number>>>;
  readonly repsByArea: Readonly<Partial<Record<Area, number>>>;
  readonly workByArea: Readonly<Partial<Record<Area, number>>>;
  /** Undefined where a session has no planned effort, or all days ask the same. */
  readonly monotony: number | undefined;
  readonly strainAu: number | undefined;
}

function sumOf<K extends string>(maps: readonly Readonly<Partial<Record<K, number>>>[]): Partial<Record<K, number>> {
  const out: Partial<Record<K, number>> = {};
  for (const map of maps) for (const key of Object.keys(map) as K[]) out[key] = (out[key] ?? 0) + map[key]!;
  return out;
}

/** A programme's weeks with all that they ask. A programme without sessions gives weeks of zeros. */
export function planProgramme(programme: ProgrammeDocument, planner: DayPlanner): WeekPlan[] {
  const byWeek = groupBy(programme.days, (d) => d.week);
  return Array.from({ length: programme.weeks }, (_, i): WeekPlan => {
    const week = i + 1;
    const own = byWeek.get(week) ?? [];
    const days = Array.from({ length: 7 }, (_d, d): PlannedDay | undefined => {
      const day = own.find((o) => o.weekday === d + 1);
      return day && { day, plan: planner.of(day.text) };
    });
    const plans = days.flatMap((d) => d?.plan ?? []);
    const loads = days.map((d) => (d?.plan === undefined ? 0 : d.plan.loadAu));
    const toWrite = days.filter((d) => d && !d.plan).length;
    return {
      week,
      days,
      isLighter: isLighterWeek(programme, week),
      toWrite,
      likelySec: plans.reduce((sum, p) => sum + p.clockSec.likely, 0),
      workSec: plans.reduce((sum, p) => sum + p.workSec, 0),
      loadAu: loads.reduce<number>((sum, l) => sum + (l ?? 0), 0),
      unratedSessions: plans.filter((p) => p.loadAu === undefined).length,
      repsByPattern: sumOf(plans.map((p) => p.repsByPattern)),
      repsByArea: sumOf(plans.map((p) => p.repsByArea)),
      workByArea: sumOf(plans.map((p) => p.workByArea)),
      monotony: toWrite > 0 ? undefined : monotony(loads),
      strainAu: toWrite > 0 ? undefined : strain(loads),
    };
  });
}

/** Likely seconds of all that is written. */
export const totalLikelySec = (weeks: readonly WeekPlan[]): number => weeks.reduce((sum, w) => sum + w.likelySec, 0);
