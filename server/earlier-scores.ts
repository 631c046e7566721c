import type { ToMatch } from '../core/record/to-match.ts';
import { earlierRecords, toMatch } from '../core/record/to-match.ts';
import type { FittedView } from './fitted-view.ts';
import type { PersonView } from './person-view.ts';

/** What a day of someone is to be held against. */
export function dayToMatch({ strand, days }: PersonView, dayId: number, { sent, plan }: FittedView): ToMatch {
  const own = strand.beads.map(({ dayId: id, date }) => {
    const day = days.get(id);
    return { dayId: id, date, retest: day?.retest ?? null, record: day?.record };
  });
  return toMatch(sent, plan, earlierRecords(own, dayId, sent.retest));
}
