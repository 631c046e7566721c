import { isReshaped } from '../../core/fit/fit-change.ts';
import type pg from 'pg';
import type { DayDate } from '../../core/calendar/day.ts';
import { ownNumbers } from '../../core/record/scores/own-numbers.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { listNumbers } from '../../db/queries/own.ts';

/** Somebody's numbers over time, a series for each; `dateOf` gives the date of a day that was theirs. */
export async function numbersOverTime(
  db: pg.PoolClient,
  enrolmentId: number,
  dateOf: ReadonlyMap<number, DayDate>,
): Promise<ReturnType<typeof ownNumbers>> {
  const records = await listNumbers(db, enrolmentId);
  return ownNumbers(
    records.flatMap(({ dayId, document, scores, fit, details }) => {
      const date = dateOf.get(dayId);
      if (date === undefined) return [];
      return [
        {
          date,
          title: sessionTitle(document),
          retest: document.retest ?? null,
          blocks: document.blocks,
          scores,
          shapes: [...fit.filter(isReshaped), ...(details.chosen ?? [])],
        },
      ];
    }),
  );
}
