import type { Weekday } from '../../calendar/day.ts';
import { weekdayName } from '../../calendar/day.ts';
import type { DayPlan } from '../day-plan.ts';
import { hardDays, sameArea, sameJoint } from '../guards/day-guards.ts';
import type { GuardCode } from '../guards/guard.ts';

/** A session that wants a day. */
export interface ArrangeSession {
  /** The weekday it has now. */
  readonly weekday: number;
  readonly title: string;
  readonly plan: DayPlan | undefined;
  /** Stays where it is: sent, live, or held by the coach. */
  readonly isFixed: boolean;
}

export interface ArrangeScope {
  /** The weekday that day 1 of a week is. */
  readonly firstWeekday: Weekday;
  readonly sessions: readonly ArrangeSession[];
  /** Weekdays that may have a session. */
  readonly weekdays: readonly number[];
  /** Weekdays on which no session, or none that is hard, may stand. */
  readonly blocked: readonly {
    readonly weekday: number;
    readonly rule: 'no session' | 'no hard session';
    readonly words: string;
  }[];
  /** The sessions of the last day of the week before and the first of the week after, which are neighbours too. */
  readonly before: DayPlan | undefined;
  readonly after: DayPlan | undefined;
  /** Thresholds of the guard rails that are on; what is off costs nothing. */
  readonly thresholds: Readonly<Partial<Record<GuardCode, number>>>;
}

/** One matter that an order of the week is charged for. */
export interface ArrangeCost {
  readonly words: string;
  readonly points: number;
}

export interface Arrangement {
  /** The weekday of each session, in the order of `sessions`. */
  readonly weekdays: readonly number[];
  readonly points: number;
  readonly costs: readonly ArrangeCost[];
}

export type ArrangeResult =
  | {
      readonly status: 'arranged';
      readonly best: Arrangement;
      readonly runnerUp: Arrangement | undefined;
      readonly now: Arrangement | undefined;
      readonly reasons: readonly string[];
      readonly searched: number;
    }
  /** More sessions than days that they may have. */
  | { readonly status: 'impossible'; readonly message: string };

/** What matters more costs more: a pair of hard days outweighs any number of moves (common practice, no source). */
export const ARRANGE_POINTS = { hard: 100, joint: 40, area: 30, moved: 1 } as const;

/** Costs of two sessions standing next to each other; none where either is missing or still to write. */
export function pairCosts(
  a: DayPlan | undefined,
  b: DayPlan | undefined,
  { thresholds }: Pick<ArrangeScope, 'thresholds'>,
): ArrangeCost[] {
  if (!a || !b) return [];
  const out: ArrangeCost[] = [];
  const check = (code: GuardCode, rule: typeof hardDays, points: number, say: (what: string) => string) => {
    const threshold = thresholds[code];
    const met = threshold === undefined ? undefined : rule(a, b, threshold);
    if (met) out.push({ words: `${say(met.what)} (${met.figures})`, points });
  };
  check('hard-days', hardDays, ARRANGE_POINTS.hard, () => 'both are hard');
  check('same-joint', sameJoint, ARRANGE_POINTS.joint, (what) => `both ask a lot of the ${what}`);
  check('same-area', sameArea, ARRANGE_POINTS.area, (what) => `both ask most of ${what}`);
  return out;
}

export function isAllowed(session: ArrangeSession, weekday: number, scope: ArrangeScope): boolean {
  if (session.isFixed) return weekday === session.weekday;
  return (
    scope.weekdays.includes(weekday) &&
    !scope.blocked.some((b) => b.weekday === weekday && (b.rule === 'no session' || session.plan?.isHard === true))
  );
}

/** All that an order costs, in words. */
export function costArrangement(weekdays: readonly number[], scope: ArrangeScope): Arrangement {
  const { sessions } = scope;
  const on = (weekday: number) => sessions[weekdays.indexOf(weekday)];
  const costs: ArrangeCost[] = [];
  const name = (weekday: number) => weekdayName(weekday, scope.firstWeekday);
  for (const c of pairCosts(scope.before, on(1)?.plan, scope))
    costs.push({ ...c, words: `the ${name(7)} before and ${name(1)}: ${c.words}` });
  for (let d = 1; d < 7; d++)
    for (const c of pairCosts(on(d)?.plan, on(d + 1)?.plan, scope))
      costs.push({ ...c, words: `${name(d)} and ${name(d + 1)}: ${c.words}` });
  for (const c of pairCosts(on(7)?.plan, scope.after, scope))
    costs.push({ ...c, words: `${name(7)} and the ${name(1)} after: ${c.words}` });
  for (const [i, session] of sessions.entries()) {
    const away = Math.abs(weekdays[i]! - session.weekday);
    if (away > 0)
      costs.push({
        words: `${session.title} moves from ${name(session.weekday)}`,
        points: away * ARRANGE_POINTS.moved,
      });
  }
  return { weekdays, points: costs.reduce((sum, c) => sum + c.points, 0), costs };
}

/**
 * The best order of a week's sessions over its days, by exact search: day by day, giving up a branch once it costs as much
 * as the second best known. Cheapest first by guard rails, then by fewest days moved; ties go to the order found first.
 * The runner-up is the next best one that is another order. No sessions give an empty best order.
 */
export function arrangeWeek(scope: ArrangeScope): ArrangeResult {
  const { sessions } = scope;
  const hopeless = sessions.find((s) => ![1, 2, 3, 4, 5, 6, 7].some((d) => isAllowed(s, d, scope)));
  if (hopeless)
    return {
      status: 'impossible',
      message: `There is no day left for ${hopeless.title}: every day it could have is blocked. Free one, or remove it this week.`,
    };
  // Costs of each pair once: a row and a column for "no session".
  const none = sessions.length;
  const pairPoints = [...sessions.map((s) => s.plan), undefined].map((a) =>
    [...sessions.map((s) => s.plan), undefined].map((b) =>
      pairCosts(a, b, scope).reduce((sum, c) => sum + c.points, 0),
    ),
  );
  const beforePoints = [...sessions.map((s) => pairCosts(scope.before, s.plan, scope)), []].map((c) =>
    c.reduce((sum, x) => sum + x.points, 0),
  );
  const afterPoints = [...sessions.map((s) => pairCosts(s.plan, scope.after, scope)), []].map((c) =>
    c.reduce((sum, x) => sum + x.points, 0),
  );
  const found: { weekdays: number[]; points: number }[] = [];
  let searched = 0;
  const weekdays = sessions.map(() => 0);
  const place = (day: number, left: number, last: number, points: number) => {
    if (found.length === 2 && points >= found[1]!.points) return;
    if (day > 7) {
      if (left > 0) return;
      searched++;
      found.push({ weekdays: [...weekdays], points: points + afterPoints[last]! });
      found.sort((a, b) => a.points - b.points);
      if (found.length > 2) found.pop();
      return;
    }
    if (left > 8 - day) return;
    for (let s = 0; s <= none; s++) {
      if (s < none && (weekdays[s] !== 0 || !isAllowed(sessions[s]!, day, scope))) continue;
      const step = day === 1 ? beforePoints[s]! : pairPoints[last]![s]!;
      if (s < none) weekdays[s] = day;
      place(
        day + 1,
        s < none ? left - 1 : left,
        s,
        points + step + (s < none ? Math.abs(day - sessions[s]!.weekday) * ARRANGE_POINTS.moved : 0),
      );
      if (s < none) weekdays[s] = 0;
    }
  };
  place(1, sessions.length, none, 0);
  const [best, second] = found;
  if (!best)
    return {
      status: 'impossible',
      message: `${sessions.length} sessions don’t fit on the days that are left. Free a day, or remove a session this week.`,
    };
  const stays = sessions.map((s) => s.weekday);
  const now = sessions.every((s) => isAllowed(s, s.weekday, scope)) ? costArrangement(stays, scope) : undefined;
  const bestOrder = costArrangement(best.weekdays, scope);
  return {
    status: 'arranged',
    best: bestOrder,
    runnerUp: second && costArrangement(second.weekdays, scope),
    now,
    reasons: explainPlacing(bestOrder, scope),
    searched,
  };
}

/** Why each session stands where it does. */
function explainPlacing(best: Arrangement, scope: ArrangeScope): string[] {
  const name = (weekday: number) => weekdayName(weekday, scope.firstWeekday);
  return scope.sessions.map((session, i) => {
    const to = best.weekdays[i]!;
    const day = name(to);
    if (session.isFixed) return `${session.title} is held on ${day}.`;
    const wasBlocked = scope.blocked.find(
      (b) => b.weekday === session.weekday && !isAllowed(session, session.weekday, scope),
    );
    if (to === session.weekday) return `${session.title} stays on ${day}.`;
    if (wasBlocked) return `${session.title} goes to ${day}: ${wasBlocked.words} on ${name(session.weekday)}.`;
    // What would it cost to leave this one where it was, and whoever took its place there instead?
    const swapped = best.weekdays.map((d, k) => (k === i ? session.weekday : d === session.weekday ? to : d));
    const isFree = scope.sessions.every((s, k) => isAllowed(s, swapped[k]!, scope));
    const saved = isFree
      ? costArrangement(swapped, scope).costs.filter(
          (c) => c.points >= ARRANGE_POINTS.area && !best.costs.some((b) => b.words === c.words),
        )
      : [];
    if (saved[0]) return `${session.title} goes to ${day}, else ${saved[0].words}.`;
    const [left, taker] = [
      scope.sessions.find((s) => s.weekday === to),
      scope.sessions[best.weekdays.indexOf(session.weekday)],
    ];
    return `${session.title} goes to ${day}${left ? `, which ${left.title} leaves` : ', which is free'}${taker ? `; ${taker.title} takes ${name(session.weekday)}` : ''}.`;
  });
}
