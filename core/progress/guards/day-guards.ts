import type { DayPlace } from '../../calendar/day.ts';
import { groupBy } from '../../group-by.ts';
import type { Area } from '../../movement/movement.ts';
import type { DayPlan, WatchedJoint } from '../day-plan.ts';
import { WATCHED_JOINTS } from '../day-plan.ts';
import type { PlannedDay, WeekPlan } from '../plan-programme.ts';
import type { BlockedDay } from '../programme-document.ts';
import type { Both, Guard, GuardFacts, PairFacts } from './guard.ts';
import type { RunDates } from '../../calendar/release.ts';
import { runDate } from '../../calendar/release.ts';

/** What two sessions share under a rule; undefined where the rule isn't met. */
export type PairRule = (a: DayPlan, b: DayPlan, threshold: number) => PairFacts | undefined;

const totalWork = ({ workByArea }: DayPlan): number =>
  Math.max(
    1,
    Object.values(workByArea).reduce((sum, value) => sum + value, 0),
  );

export const sameArea: PairRule = (a, b, thresholdPct) => {
  const [totalA, totalB] = [totalWork(a), totalWork(b)];
  const shared = (Object.keys(a.workByArea) as Area[])
    .filter((area) => area !== 'mobility')
    .map((area): { area: Area; pct: Both } => ({
      area,
      pct: [(100 * (a.workByArea[area] ?? 0)) / totalA, (100 * (b.workByArea[area] ?? 0)) / totalB],
    }))
    .filter(({ pct }) => pct.every((value) => value >= thresholdPct));
  return shared.length === 0 ? undefined : { code: 'same-area', shared };
};

export const sameJoint: PairRule = (a, b, thresholdMin) => {
  const shared = WATCHED_JOINTS.map((joint): { joint: WatchedJoint; sec: Both } => ({
    joint,
    sec: [a.workByJoint[joint], b.workByJoint[joint]],
  })).filter(({ sec }) => sec.every((value) => value >= thresholdMin * 60));
  return shared.length === 0 ? undefined : { code: 'same-joint', shared };
};

export const hardDays: PairRule = (a, b, threshold) => {
  const efforts: Both = [a.effort ?? 0, b.effort ?? 0];
  return efforts.every((effort) => effort >= threshold) ? { code: 'hard-days', efforts } : undefined;
};

/** What two days have in common, without its figures: equal ones are one thing. */
function matterOf(facts: PairFacts): string {
  switch (facts.code) {
    case 'same-area':
      return facts.shared.map((s) => s.area).join(' ');
    case 'same-joint':
      return facts.shared.map((s) => s.joint).join(' ');
    case 'hard-days':
      return '';
  }
}

interface Pair {
  readonly first: PlannedDay;
  readonly second: PlannedDay;
}

/** Sessions on neighbouring days, over the end of a week too. */
function neighbours(weeks: readonly WeekPlan[]): Pair[] {
  const all = weeks.flatMap((w) => w.days);
  return all.flatMap((first, i) => {
    const second = all[i + 1];
    return first?.plan && second?.plan ? [{ first, second }] : [];
  });
}

/** Pairs of neighbouring days that meet a rule; the same two weekdays with the same matter are one thing, with its weeks. */
export function findPairs(weeks: readonly WeekPlan[], rule: PairRule, threshold: number): Guard[] {
  const met = neighbours(weeks).flatMap((pair) => {
    const facts = rule(pair.first.plan!, pair.second.plan!, threshold);
    return facts ? [{ pair, facts }] : [];
  });
  return [...groupBy(met, ({ pair, facts }) => `${pair.first.day.weekday} ${matterOf(facts)}`).values()].map(
    (group) => {
      const { pair, facts } = group[0]!;
      return {
        ...facts,
        weekdays: [pair.first.day.weekday, pair.second.day.weekday],
        weeks: group.map((g) => g.pair.first.day.week),
        places: group.flatMap((g) => [placeOf(g.pair.first), placeOf(g.pair.second)]),
        threshold,
      };
    },
  );
}

const placeOf = ({ day }: PlannedDay): DayPlace => ({ week: day.week, weekday: day.weekday });

const eachDay = <F extends GuardFacts>(
  weeks: readonly WeekPlan[],
  threshold: number | null,
  find: (day: PlannedDay, plan: DayPlan) => F | undefined,
): (F & Pick<Guard, 'weeks' | 'places' | 'threshold'>)[] =>
  weeks.flatMap((w) =>
    w.days.flatMap((d) => {
      const found = d?.plan && find(d, d.plan);
      return found ? [{ ...found, weeks: [w.week], places: [placeOf(d)], threshold }] : [];
    }),
  );

/** A session that is shorter than promised is no matter in a lighter week. */
export const findBrokenTargets = (weeks: readonly WeekPlan[], thresholdPct: number): Guard[] =>
  eachDay(weeks, thresholdPct, (day, plan) => {
    const { targetSec } = plan.document;
    if (targetSec === undefined) return undefined;
    const likelySec = plan.clockSec.likely;
    const offSec = likelySec - targetSec;
    if (100 * Math.abs(offSec) < thresholdPct * targetSec || (offSec < 0 && weeks[day.day.week - 1]?.isLighter))
      return undefined;
    return { code: 'target-broken' as const, title: plan.title, likelySec, targetSec };
  });

export const isBlockedFor = (blocked: BlockedDay, plan: Pick<DayPlan, 'isHard'> | undefined): boolean =>
  blocked.rule === 'no session' || plan?.isHard === true;

export function findBlocked(weeks: readonly WeekPlan[], blocked: readonly BlockedDay[], run: RunDates): Guard[] {
  if (blocked.length === 0) return [];
  const byDate = groupBy(blocked, (b) => b.date);
  return eachDay(weeks, null, ({ day }, plan) => {
    const found = byDate.get(runDate(run, day))?.find((b) => isBlockedFor(b, plan));
    return (
      found && {
        code: 'blocked-day' as const,
        title: plan.title,
        with: found.words,
        ...(found.rule !== 'no session' && plan.effort !== undefined && { effort: plan.effort }),
      }
    );
  });
}

/** Sessions of one retest name that aren't the same work. */
export function findDifferingRetests(weeks: readonly WeekPlan[]): Guard[] {
  const byName = groupBy(
    weeks.flatMap((w) => w.days.flatMap((d) => (d?.plan?.retest ? [d] : []))),
    (d) => d.plan!.retest!.toLowerCase(),
  );
  return [...byName.values()].flatMap((days): Guard[] => {
    const work = (d: PlannedDay) => JSON.stringify(d.plan!.document.blocks);
    const different = days.filter((d) => work(d) !== work(days[0]!));
    return different.length === 0
      ? []
      : [
          {
            code: 'retest-differs',
            weeks: [...new Set(days.map((d) => d.day.week))],
            places: days.map(placeOf),
            retest: days[0]!.plan!.retest!,
            first: placeOf(days[0]!),
            other: placeOf(different[0]!),
            threshold: null,
          },
        ];
  });
}
