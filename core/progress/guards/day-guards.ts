import type { DayPlace, Weekday } from '../../calendar/day.ts';
import { dayName, weekdayName } from '../../calendar/day.ts';
import { groupBy } from '../../group-by.ts';
import { formatClock } from '../../words/format-clock.ts';
import type { Area } from '../../movement/movement.ts';
import { wholeMinutes } from '../../words/words.ts';
import type { DayPlan, WatchedJoint } from '../day-plan.ts';
import { WATCHED_JOINTS } from '../day-plan.ts';
import type { PlannedDay, WeekPlan } from '../plan-programme.ts';
import type { BlockedDay } from '../programme-document.ts';
import type { Guard, GuardCode } from './guard.ts';
import { formatWeeks } from './guard.ts';
import type { RunDates } from '../../calendar/release.ts';
import { runDate } from '../../calendar/release.ts';

/** The shared work of two sessions under a rule; undefined where the rule isn't met. */
export type PairRule = (
  a: DayPlan,
  b: DayPlan,
  threshold: number,
) => { readonly what: string; readonly figures: string } | undefined;

export const sameArea: PairRule = (a, b, thresholdPct) => {
  const shared = (Object.keys(a.workByArea) as Area[])
    .filter((area) => area !== 'mobility')
    .map((area) => {
      const [x, y] = [a, b].map(
        (p) =>
          (100 * (p.workByArea[area] ?? 0)) /
          Math.max(
            1,
            Object.values(p.workByArea).reduce((s, v) => s + v, 0),
          ),
      );
      return { area, x: x!, y: y! };
    })
    .filter(({ x, y }) => x >= thresholdPct && y >= thresholdPct);
  return shared.length === 0
    ? undefined
    : {
        what: shared.map((s) => s.area).join(' and '),
        figures: shared.map((s) => `${Math.round(s.x)} and ${Math.round(s.y)} % of the work`).join('; '),
      };
};

const JOINT_NAMES: Record<WatchedJoint, string> = { wrist: 'wrists', shoulder: 'shoulders', knee: 'knees' };

export const sameJoint: PairRule = (a, b, thresholdMin) => {
  const shared = WATCHED_JOINTS.filter(
    (j) => a.workByJoint[j] >= thresholdMin * 60 && b.workByJoint[j] >= thresholdMin * 60,
  );
  return shared.length === 0
    ? undefined
    : {
        what: shared.map((j) => JOINT_NAMES[j]).join(' and '),
        figures: shared
          .map((j) => `${wholeMinutes(a.workByJoint[j])} and ${wholeMinutes(b.workByJoint[j])} min`)
          .join('; '),
      };
};

export const hardDays: PairRule = (a, b, threshold) =>
  (a.effort ?? 0) >= threshold && (b.effort ?? 0) >= threshold
    ? { what: 'hard', figures: `effort ${a.effort} and ${b.effort}` }
    : undefined;

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

const SENTENCES: Record<'same-area' | 'same-joint' | 'hard-days', (what: string) => string> = {
  'same-area': (what) => `Both ask most of ${what}`,
  'same-joint': (what) => `Both ask a lot of the ${what}`,
  'hard-days': () => 'Both are hard',
};

/** Pairs of neighbouring days that meet a rule; the same two weekdays with the same matter are one thing, with its weeks. */
export function findPairs(
  weeks: readonly WeekPlan[],
  code: keyof typeof SENTENCES,
  rule: PairRule,
  threshold: number,
  firstWeekday: Weekday,
): Guard[] {
  const groups = new Map<string, { pairs: Pair[]; what: string; figures: string[] }>();
  for (const pair of neighbours(weeks)) {
    const met = rule(pair.first.plan!, pair.second.plan!, threshold);
    if (!met) continue;
    const key = `${pair.first.day.weekday} ${met.what}`;
    const group = groups.get(key) ?? { pairs: [], what: met.what, figures: [] };
    group.pairs.push(pair);
    group.figures.push(met.figures);
    groups.set(key, group);
  }
  return [...groups.values()].map(({ pairs, what, figures }) => {
    const own = pairs.map((p) => p.first.day.week);
    const { first, second } = pairs[0]!;
    return {
      code,
      weeks: own,
      places: pairs.flatMap((p) => [placeOf(p.first), placeOf(p.second)]),
      threshold,
      subject: `${weekdayName(first.day.weekday, firstWeekday)} and ${weekdayName(second.day.weekday, firstWeekday)}`,
      message: `${SENTENCES[code](what)}: ${figures[0]}${pairs.length > 1 ? ` in week ${own[0]}; also in ${formatWeeks(own.slice(1))}` : `, ${formatWeeks(own)}`}.`,
    };
  });
}

const placeOf = ({ day }: PlannedDay): DayPlace => ({ week: day.week, weekday: day.weekday });

const eachDay = (
  weeks: readonly WeekPlan[],
  firstWeekday: Weekday,
  find: (day: PlannedDay, plan: DayPlan) => Omit<Guard, 'weeks' | 'places' | 'subject'> | undefined,
): Guard[] =>
  weeks.flatMap((w) =>
    w.days.flatMap((d) => {
      const found = d?.plan && find(d, d.plan);
      return found ? [{ ...found, weeks: [w.week], places: [placeOf(d)], subject: dayName(d.day, firstWeekday) }] : [];
    }),
  );

/** A session that is shorter than promised is no matter in a lighter week. */
export const findBrokenTargets = (weeks: readonly WeekPlan[], thresholdPct: number, firstWeekday: Weekday): Guard[] =>
  eachDay(weeks, firstWeekday, (day, plan) => {
    const targetSec = plan.document.targetSec;
    if (targetSec === undefined) return undefined;
    const offSec = plan.clockSec.likely - targetSec;
    if (Math.abs(offSec) <= (thresholdPct / 100) * targetSec || (offSec < 0 && weeks[day.day.week - 1]?.isLighter))
      return undefined;
    return {
      code: 'target-broken',
      threshold: thresholdPct,
      message: `${plan.title || 'The session'} is likely ${formatClock(plan.clockSec.likely)}, ${formatClock(Math.abs(offSec))} ${offSec > 0 ? 'over' : 'short of'} its target of ${formatClock(targetSec)}.`,
    };
  });

export const isBlockedFor = (blocked: BlockedDay, plan: Pick<DayPlan, 'isHard'> | undefined): boolean =>
  blocked.rule === 'no session' || plan?.isHard === true;

export function findBlocked(
  weeks: readonly WeekPlan[],
  blocked: readonly BlockedDay[],
  run: RunDates,
  firstWeekday: Weekday,
): Guard[] {
  if (blocked.length === 0) return [];
  const byDate = groupBy(blocked, (b) => b.date);
  return eachDay(weeks, firstWeekday, (day, plan) => {
    const found = byDate.get(runDate(run, day.day))?.find((b) => isBlockedFor(b, plan));
    return (
      found && {
        code: 'blocked-day' as GuardCode,
        threshold: null,
        message: `${found.words}: ${plan.title || 'a session'}${found.rule === 'no session' ? '' : `, effort ${plan.effort},`} stands on it.`,
      }
    );
  });
}

/** Sessions of one retest name that aren't the same work. */
export function findDifferingRetests(weeks: readonly WeekPlan[], firstWeekday: Weekday): Guard[] {
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
            subject: `Retest ${days[0]!.plan!.retest}`,
            threshold: null,
            message: `The session of ${dayName(different[0]!.day, firstWeekday)} is not the one of ${dayName(days[0]!.day, firstWeekday)}, so their scores don’t compare.`,
          },
        ];
  });
}
