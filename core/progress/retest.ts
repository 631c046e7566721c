import type { DayPlace } from '../calendar/day.ts';
import { dayKey } from '../calendar/day.ts';
import { applyEdits } from '../notation/apply-edits.ts';
import type { ScoreKind } from '../session/plan.ts';
import type { DayPlan, DayPlanner } from './day-plan.ts';
import type { ProgrammeEdit } from './edit/programme-edit.ts';
import type { ProgrammeDocument } from './programme-document.ts';
import { findProgrammeDay } from './programme-document.ts';
import { isBlockedFor } from './guards/day-guards.ts';
import type { RunDates } from '../calendar/release.ts';
import { runDate } from '../calendar/release.ts';

/** Weeks from one retest to the next (common practice, no source: about three weeks on, same session, count written down). */
export const RETEST_WEEKS = 3;

/** The weeks of a retest: the first, about every third after it, and the last. */
export function retestWeeks(weeks: number): number[] {
  const out = [1];
  for (let w = 1 + RETEST_WEEKS; w < weeks - 1; w += RETEST_WEEKS) out.push(w);
  if (weeks > 1) out.push(weeks);
  return out;
}

export interface RetestPlacing {
  readonly place: DayPlace;
  /** What stands there now; undefined for a free day. */
  readonly replaces: string | undefined;
}

/**
 * A day of each of a retest's weeks: one still to write, else a free day that touches no hard one, else the day that the
 * model session stands on. Blocked and sent days are left out; a week without a day is left out too.
 */
export function placeRetest(
  programme: ProgrammeDocument,
  model: DayPlace,
  at: { planner: DayPlanner; run: RunDates; locked: ReadonlySet<string> },
): RetestPlacing[] {
  const { planner, run, locked } = at;
  const modelPlan = planner.of(findProgrammeDay(programme, model)?.text ?? '');
  const planOf = (week: number, weekday: number) =>
    planner.of(
      findProgrammeDay(
        programme,
        weekday < 1 ? { week: week - 1, weekday: 7 } : weekday > 7 ? { week: week + 1, weekday: 1 } : { week, weekday },
      )?.text ?? '',
    );
  return retestWeeks(programme.weeks).flatMap((week): RetestPlacing[] => {
    if (week === model.week) return [{ place: model, replaces: undefined }];
    const options = [1, 2, 3, 4, 5, 6, 7]
      .filter(
        (weekday) =>
          !locked.has(dayKey({ week, weekday })) &&
          !programme.blocked.some((b) => b.date === runDate(run, { week, weekday }) && isBlockedFor(b, modelPlan)),
      )
      .map((weekday) => {
        const day = findProgrammeDay(programme, { week, weekday });
        const plan = day && planner.of(day.text);
        const isEmpty = day !== undefined && !plan;
        const touchesHard = [weekday - 1, weekday + 1].some((w) => planOf(week, w)?.isHard);
        const cost =
          (isEmpty ? 0 : day ? (weekday === model.weekday ? 20 : 40) : 10) +
          (touchesHard ? 15 : 0) +
          (plan?.retest ? 50 : 0) +
          Math.abs(weekday - model.weekday);
        return { weekday, plan, cost };
      });
    const best = options.reduce<(typeof options)[number] | undefined>(
      (a, b) => (a && a.cost <= b.cost ? a : b),
      undefined,
    );
    return best ? [{ place: { week, weekday: best.weekday }, replaces: best.plan?.title ?? undefined }] : [];
  });
}

/** The session of a place under a retest name, at its places. */
export function retestEdit(
  programme: ProgrammeDocument,
  model: DayPlace,
  name: string,
  places: readonly DayPlace[],
  planner: DayPlanner,
): ProgrammeEdit {
  const text = findProgrammeDay(programme, model)?.text ?? '';
  return {
    kind: 'place-retest',
    places,
    text: applyEdits(text, [{ kind: 'set-field', field: 'Retest', value: name }], planner.scope.library),
  };
}

/** A retest as it stands in a programme. */
export interface Retest {
  readonly name: string;
  readonly places: readonly DayPlace[];
  /** What will be compared. */
  readonly scores: DayPlan['scores'];
}

export const SCORE_WORDS: Record<ScoreKind, string> = {
  'rounds+reps': 'rounds and reps',
  reps: 'reps',
  time: 'the time',
  'reps-per-window': 'reps in each window',
  'top-set': 'the top set',
  'whole-slots': 'the last whole turn',
  none: 'nothing',
};

/** The retests of a programme, each with its places and what it compares. */
export function findRetests(programme: ProgrammeDocument, planner: DayPlanner): Retest[] {
  const found = new Map<string, { name: string; places: DayPlace[]; scores: DayPlan['scores'] }>();
  for (const day of programme.days) {
    const plan = planner.of(day.text);
    if (!plan?.retest) continue;
    const key = plan.retest.toLowerCase();
    const own = found.get(key) ?? { name: plan.retest, places: [], scores: plan.scores };
    own.places.push({ week: day.week, weekday: day.weekday });
    found.set(key, own);
  }
  return [...found.values()];
}
