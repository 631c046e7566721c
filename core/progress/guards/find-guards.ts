import type { RunDates } from '../../calendar/release.ts';
import type { ReadTrack } from '../track/build-track.ts';
import type { WeekPlan } from '../plan-programme.ts';
import type { ProgrammeDocument } from '../programme-document.ts';
import { themeOf } from '../programme-document.ts';
import {
  findBlocked,
  findBrokenTargets,
  findDifferingRetests,
  findPairs,
  hardDays,
  sameArea,
  sameJoint,
} from './day-guards.ts';
import type { Guard, GuardCode } from './guard.ts';
import { GUARD_CODES, GUARD_RAILS } from './guard.ts';
import { findLeversAtOnce } from './track-guards.ts';
import {
  findFewStrengthDays,
  findHeavyLighterWeeks,
  findLoadChanges,
  findMonotony,
  findNoLighterWeek,
  findRepsChanges,
  findWorkChanges,
} from './week-guards.ts';

export interface GuardScope {
  readonly programme: ProgrammeDocument;
  readonly weeks: readonly WeekPlan[];
  readonly tracks: readonly ReadTrack[];
  readonly run: RunDates;
}

export const thresholdOf = (programme: Pick<ProgrammeDocument, 'guards'>, code: GuardCode): number =>
  programme.guards.thresholds[code] ?? GUARD_RAILS[code].threshold ?? 0;

const FINDERS: Record<GuardCode, (scope: GuardScope, threshold: number) => Guard[]> = {
  'load-change': ({ weeks }, t) => findLoadChanges(weeks, t),
  'work-change': ({ weeks }, t) => findWorkChanges(weeks, t),
  'reps-change': ({ weeks }, t) => findRepsChanges(weeks, t),
  monotony: ({ weeks }, t) => findMonotony(weeks, t),
  'no-lighter-week': ({ weeks }, t) => findNoLighterWeek(weeks, t),
  'lighter-week': ({ weeks }, t) => findHeavyLighterWeeks(weeks, t),
  'same-area': ({ weeks }, t) => findPairs(weeks, sameArea, t),
  'same-joint': ({ weeks }, t) => findPairs(weeks, sameJoint, t),
  'hard-days': ({ weeks }, t) => findPairs(weeks, hardDays, t),
  'levers-at-once': ({ programme, tracks }, t) => findLeversAtOnce(programme, tracks, t),
  'strength-days': ({ weeks, programme }, t) =>
    findFewStrengthDays(weeks, t, (week, weekday) => {
      const planned = week.days[weekday - 1]!;
      return themeOf(programme, planned.day) === 'strength' || planned.plan!.isStrength;
    }),
  'target-broken': ({ weeks }, t) => findBrokenTargets(weeks, t),
  'blocked-day': ({ weeks, programme, run }) => findBlocked(weeks, programme.blocked, run),
  'retest-differs': ({ weeks }) => findDifferingRetests(weeks),
};

/** All that is worth a look in a programme, by code and week; codes that are switched off left out. An empty programme has nothing. */
export function findGuards(scope: GuardScope): Guard[] {
  return GUARD_CODES.filter((code) => !scope.programme.guards.off.includes(code)).flatMap((code) =>
    FINDERS[code](scope, thresholdOf(scope.programme, code)),
  );
}
