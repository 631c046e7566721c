import type { ToMatch } from '../../core/record/scores/to-match.ts';
import { isReshaped } from '../../core/fit/fit-change.ts';
import { earlierRecords, toMatch } from '../../core/record/scores/to-match.ts';
import type { FittedView } from './fitted-view.ts';
import type { PersonView } from './person-view.ts';

/** The days of someone with what they scored, in order. */
export const numberedDays = ({ strand, days }: PersonView) =>
  strand.beads.map(({ dayId, date }) => {
    const day = days.get(dayId);
    return { dayId, date, retest: day?.retest ?? null, record: day?.record };
  });

/** What a day of someone is to be held against. */
export const dayToMatch = (
  view: PersonView,
  dayId: number,
  { sent, blocks, plan, changes }: Pick<FittedView, 'sent' | 'blocks' | 'plan' | 'changes'>,
): ToMatch =>
  toMatch(
    { document: sent, blocks, plan, reshaped: changes.filter(isReshaped).map((c) => c.block) },
    earlierRecords(numberedDays(view), dayId),
  );
