import { UNREAD_TITLE } from '../../session/session-title.ts';
import { dayKey } from '../../calendar/day.ts';
import type { DayPlanner } from '../day-plan.ts';
import { isBlockedFor } from '../guards/day-guards.ts';
import { thresholdOf } from '../guards/find-guards.ts';
import type { GuardCode } from '../guards/guard.ts';
import type { ProgrammeEdit } from '../edit/programme-edit.ts';
import type { ProgrammeDocument } from '../programme-document.ts';
import { findProgrammeDay, themeOf } from '../programme-document.ts';
import type { ArrangeScope, Arrangement, Impossible } from './arrange-week.ts';
import { arrangeWeek } from './arrange-week.ts';
import type { RunDates } from '../../calendar/release.ts';
import { runDate } from '../../calendar/release.ts';

const PAIR_CODES: readonly GuardCode[] = ['hard-days', 'same-joint', 'same-area'];

export interface ArrangeWishes {
  /** Weekdays whose session stays; sent and live sessions always do. */
  readonly fixed: readonly number[];
  /** Weekdays that may have a session; those that have one now where nothing is said. */
  readonly weekdays?: readonly number[];
}

/** A week of a programme as the arranger sees it. */
export function buildArrangeScope(
  programme: ProgrammeDocument,
  week: number,
  at: { planner: DayPlanner; run: RunDates; locked: ReadonlySet<string> },
  wishes: ArrangeWishes = { fixed: [] },
): ArrangeScope {
  const { planner, run, locked } = at;
  const own = programme.days.filter((d) => d.week === week);
  const sessions = own.map((day) => {
    const plan = planner.of(day.text);
    return {
      weekday: day.weekday,
      title: plan ? plan.title || UNREAD_TITLE : 'the session to write',
      plan,
      isFixed: locked.has(dayKey(day)) || wishes.fixed.includes(day.weekday) || themeOf(programme, day) === 'live',
    };
  });
  const blocked = programme.blocked.flatMap((b) =>
    [1, 2, 3, 4, 5, 6, 7]
      .filter((weekday) => runDate(run, { week, weekday }) === b.date)
      .map((weekday) => ({ weekday, rule: b.rule, words: b.words })),
  );
  const neighbour = (place: { week: number; weekday: number }) => {
    const day = findProgrammeDay(programme, place);
    return day && planner.of(day.text);
  };
  const thresholds: Partial<Record<GuardCode, number>> = {};
  for (const code of PAIR_CODES)
    if (!programme.guards.off.includes(code)) thresholds[code] = thresholdOf(programme, code);
  return {
    firstWeekday: programme.firstWeekday,
    sessions,
    blocked,
    weekdays: wishes.weekdays ?? own.map((d) => d.weekday),
    thresholds,
    before: neighbour({ week: week - 1, weekday: 7 }),
    after: neighbour({ week: week + 1, weekday: 1 }),
  };
}

export const arrangementEdit = (
  week: number,
  scope: ArrangeScope,
  order: Pick<Arrangement, 'weekdays'>,
): ProgrammeEdit => ({
  kind: 'arrange-week',
  week,
  moves: scope.sessions.map((s, i) => ({ from: s.weekday, to: order.weekdays[i]! })),
});

/** What is done about blocked days: weeks in which a session stands on one, each arranged anew over all days of the week. */
/** A week that can't be arranged. */
export interface StuckWeek {
  readonly week: number;
  readonly result: Impossible;
}

export interface BlockedProposal {
  readonly edits: readonly ProgrammeEdit[];
  /** Weeks for which there is no way, with the reason. */
  readonly stuck: readonly StuckWeek[];
}

/** Moves sessions off the days that are blocked for them, week by week; whatever else stands stays as near as it can. */
export function moveOffBlocked(
  programme: ProgrammeDocument,
  at: { planner: DayPlanner; run: RunDates; locked: ReadonlySet<string> },
): BlockedProposal {
  const edits: ProgrammeEdit[] = [];
  const stuck: StuckWeek[] = [];
  for (let week = 1; week <= programme.weeks; week++) {
    const isHit = programme.days.some(
      (d) =>
        d.week === week &&
        !at.locked.has(dayKey(d)) &&
        programme.blocked.some((b) => b.date === runDate(at.run, d) && isBlockedFor(b, at.planner.of(d.text))),
    );
    if (!isHit) continue;
    const scope = buildArrangeScope(programme, week, at, { fixed: [], weekdays: [1, 2, 3, 4, 5, 6, 7] });
    const result = arrangeWeek(scope);
    if (result.status === 'impossible') stuck.push({ week, result });
    else edits.push(arrangementEdit(week, scope, result.best));
  }
  return { edits, stuck };
}
