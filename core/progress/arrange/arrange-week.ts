import type { Weekday } from '../../calendar/day.ts';
import type { DayPlan } from '../day-plan.ts';
import { hardDays, sameArea, sameJoint } from '../guards/day-guards.ts';
import type { GuardCode, PairFacts } from '../guards/guard.ts';

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
export type ArrangeCost = { readonly points: number } &
  /** Two sessions next to each other; `day` is the first of both: 0 is the last of the week before, 7 that of this week. */
  (
    | { readonly kind: 'pair'; readonly day: number; readonly facts: PairFacts }
    /** A session, by its place in `sessions`, that isn't on the day it has now. */
    | { readonly kind: 'moved'; readonly session: number }
  );

/** Why a session, by its place in `sessions`, stands on a day. */
export type Placing = { readonly session: number; readonly weekday: number } & (
  | { readonly kind: 'held' | 'stays' }
  | { readonly kind: 'blocked'; readonly with: string }
  /** Left where it was, the week would be charged this. */
  | { readonly kind: 'spares'; readonly cost: ArrangeCost }
  /** Who leaves that day to it, and who takes the day that it leaves. */
  | { readonly kind: 'moves'; readonly leaves?: number; readonly takes?: number }
);

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
      /** Why each session stands where it does in the best order. */
      readonly reasons: readonly Placing[];
      readonly searched: number;
    }
  /** A session that may stand on no day, or more sessions than days that are left. */
  | { readonly status: 'impossible'; readonly why: 'no-day'; readonly title: string }
  | { readonly status: 'impossible'; readonly why: 'too-many'; readonly sessions: number };

export type Impossible = Extract<ArrangeResult, { readonly status: 'impossible' }>;

/** What matters more costs more: a pair of hard days outweighs any number of moves (common practice, no source). */
export const ARRANGE_POINTS = { hard: 100, joint: 40, area: 30, moved: 1 } as const;

interface PairCost {
  readonly points: number;
  readonly facts: PairFacts;
}

/** Costs of two sessions standing next to each other; none where either is missing or still to write. */
function pairCosts(
  a: DayPlan | undefined,
  b: DayPlan | undefined,
  { thresholds }: Pick<ArrangeScope, 'thresholds'>,
): PairCost[] {
  if (!a || !b) return [];
  const check = (code: PairFacts['code'], rule: typeof hardDays, points: number): PairCost[] => {
    const threshold = thresholds[code];
    const facts = threshold === undefined ? undefined : rule(a, b, threshold);
    return facts ? [{ facts, points }] : [];
  };
  return [
    ...check('hard-days', hardDays, ARRANGE_POINTS.hard),
    ...check('same-joint', sameJoint, ARRANGE_POINTS.joint),
    ...check('same-area', sameArea, ARRANGE_POINTS.area),
  ];
}

export function isAllowed(session: ArrangeSession, weekday: number, scope: ArrangeScope): boolean {
  if (session.isFixed) return weekday === session.weekday;
  return (
    scope.weekdays.includes(weekday) &&
    !scope.blocked.some((b) => b.weekday === weekday && (b.rule === 'no session' || session.plan?.isHard === true))
  );
}

/** All that an order costs. */
export function costArrangement(weekdays: readonly number[], scope: ArrangeScope): Arrangement {
  const { sessions } = scope;
  const on = (weekday: number) => sessions[weekdays.indexOf(weekday)]?.plan;
  const plans = [scope.before, ...[1, 2, 3, 4, 5, 6, 7].map(on), scope.after];
  const pairs = plans
    .slice(0, -1)
    .flatMap((plan, day) =>
      pairCosts(plan, plans[day + 1], scope).map((cost): ArrangeCost => ({ kind: 'pair', day, ...cost })),
    );
  const moves = sessions.flatMap(({ weekday }, session): ArrangeCost[] => {
    const away = Math.abs(weekdays[session]! - weekday);
    return away > 0 ? [{ kind: 'moved', session, points: away * ARRANGE_POINTS.moved }] : [];
  });
  const costs = [...pairs, ...moves];
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
  if (hopeless) return { status: 'impossible', why: 'no-day', title: hopeless.title };
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
  if (!best) return { status: 'impossible', why: 'too-many', sessions: sessions.length };
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

function explainPlacing(best: Arrangement, scope: ArrangeScope): Placing[] {
  const { sessions, blocked } = scope;
  const placeOf = (weekday: number) => {
    const place = sessions.findIndex((s) => s.weekday === weekday);
    return place < 0 ? undefined : place;
  };
  return sessions.map((session, i): Placing => {
    const weekday = best.weekdays[i]!;
    const at = { session: i, weekday };
    if (session.isFixed) return { ...at, kind: 'held' };
    if (weekday === session.weekday) return { ...at, kind: 'stays' };
    const wasBlocked = blocked.find(
      (b) => b.weekday === session.weekday && !isAllowed(session, session.weekday, scope),
    );
    if (wasBlocked) return { ...at, kind: 'blocked', with: wasBlocked.words };
    // What would it cost to leave this one where it was, and whoever took its place there instead?
    const swapped = best.weekdays.map((d, k) => (k === i ? session.weekday : d === session.weekday ? weekday : d));
    const isFree = sessions.every((s, k) => isAllowed(s, swapped[k]!, scope));
    const isPaid = new Set(best.costs.map((c) => JSON.stringify(c)));
    const saved = isFree
      ? costArrangement(swapped, scope).costs.find(
          (c) => c.points >= ARRANGE_POINTS.area && !isPaid.has(JSON.stringify(c)),
        )
      : undefined;
    if (saved) return { ...at, kind: 'spares', cost: saved };
    const leaves = placeOf(weekday);
    const takes = best.weekdays.indexOf(session.weekday);
    return { ...at, kind: 'moves', ...(leaves !== undefined && { leaves }), ...(takes >= 0 && { takes }) };
  });
}
