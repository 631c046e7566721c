import type { DayDate } from '../../calendar/day.ts';
import { groupBy } from '../../group-by.ts';
import type { ReadTrack } from '../build-track.ts';
import { trackPulls } from '../build-track.ts';
import type { WeekPlan } from '../plan-programme.ts';
import type { ProgrammeDocument } from '../programme-document.ts';
import { themeOf } from '../programme-document.ts';
import type { Lever } from '../lever.ts';
import type { Pull } from '../schedule.ts';
import { isSameLever, LEVER_WORDS } from '../lever.ts';
import { findBlocked, findBrokenTargets, findDifferingRetests, findPairs, hardDays, sameArea, sameJoint } from './day-guards.ts';
import type { Guard, GuardCode } from './guard.ts';
import { GUARD_CODES, GUARD_RAILS } from './guard.ts';
import { findFewStrengthDays, findHeavyLighterWeeks, findLoadChanges, findMonotony, findNoLighterWeek, findRepsChanges, findWorkChanges } from './week-guards.ts';

export interface GuardScope {
  readonly programme: ProgrammeDocument;
  readonly weeks: readonly WeekPlan[];
  readonly tracks: readonly ReadTrack[];
  readonly startsOn: DayDate;
}

export const thresholdOf = (programme: Pick<ProgrammeDocument, 'guards'>, code: GuardCode): number => programme.guards.thresholds[code] ?? GUARD_RAILS[code].threshold ?? 0;

const FINDERS: Record<GuardCode, (scope: GuardScope, threshold: number) => Guard[]> = {
  'load-change': ({ weeks }, t) => findLoadChanges(weeks, t),
  'work-change': ({ weeks }, t) => findWorkChanges(weeks, t),
  'reps-change': ({ weeks }, t) => findRepsChanges(weeks, t),
  monotony: ({ weeks }, t) => findMonotony(weeks, t),
  'no-lighter-week': ({ weeks }, t) => findNoLighterWeek(weeks, t),
  'lighter-week': ({ weeks }, t) => findHeavyLighterWeeks(weeks, t),
  'same-area': ({ weeks }, t) => findPairs(weeks, 'same-area', sameArea, t),
  'same-joint': ({ weeks }, t) => findPairs(weeks, 'same-joint', sameJoint, t),
  'hard-days': ({ weeks }, t) => findPairs(weeks, 'hard-days', hardDays, t),
  'levers-at-once': findLeversAtOnce,
  'strength-days': ({ weeks, programme }, t) => findFewStrengthDays(weeks, t, (week, weekday) => {
    const planned = week.days[weekday - 1]!;
    return themeOf(programme, planned.day) === 'strength' || planned.plan!.isStrength;
  }),
  'target-broken': ({ weeks }, t) => findBrokenTargets(weeks, t),
  'blocked-day': ({ weeks, programme, startsOn }) => findBlocked(weeks, programme.blocked, startsOn),
  'retest-differs': ({ weeks }) => findDifferingRetests(weeks),
};

/** All that is worth a look in a programme, by code and week; codes that are switched off left out. An empty programme has nothing. */
export function findGuards(scope: GuardScope): Guard[] {
  return GUARD_CODES.filter((code) => !scope.programme.guards.off.includes(code)).flatMap((code) => FINDERS[code](scope, thresholdOf(scope.programme, code)));
}

/** Levers that make a session harder from one week that isn't lighter to the next, more than the threshold at a time. */
function findLeversAtOnce({ programme, tracks }: GuardScope, threshold: number): Guard[] {
  const isLighter = new Set(programme.lighter);
  return tracks.flatMap((read) => {
    const byWeek = groupBy(programme.days.filter((d) => d.track?.id === read.track.id), (d) => d.track!.week);
    const used = [...byWeek.keys()].filter((w) => !isLighter.has(w)).sort((a, b) => a - b);
    const pullsOf = used.map((week) => trackPulls(read, week, programme.lighter));
    return used.slice(1).flatMap((week, i): Guard[] => {
      const [before, now] = [pullsOf[i]!, pullsOf[i + 1]!];
      const byOf = (pulls: readonly Pull[], lever: Lever) => pulls.find((p) => isSameLever(p.lever, lever))?.by ?? 0;
      const levers = [...now, ...before.filter((b) => byOf(now, b.lever) === 0)].map((p) => p.lever).filter((l) => l.kind !== 'effort');
      const harder = levers.filter((lever) => (lever.kind === 'rest' ? byOf(now, lever) < byOf(before, lever) : byOf(now, lever) > byOf(before, lever)));
      const kinds = [...new Set(harder.map((l) => l.kind))];
      if (kinds.length <= threshold) return [];
      const days = byWeek.get(week)!;
      return [{
        code: 'levers-at-once', weeks: [...new Set(days.map((d) => d.week))], places: days.map(({ week: w, weekday }) => ({ week: w, weekday })), threshold,
        subject: `${read.track.name}, week ${days[0]!.week}`, message: `${kinds.map((k) => LEVER_WORDS[k].name).join(' and ')} move at once.`,
      }];
    });
  });
}
