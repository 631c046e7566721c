import { formatShortDay } from '../core/calendar/day.ts';
import type { EarlierRecord, ToMatch } from '../core/record/to-match.ts';
import { toMatch } from '../core/record/to-match.ts';
import type { FittedView } from './fitted-view.ts';
import type { PersonView } from './person-view.ts';

/** What someone scored on the days before one in sessions of one retest, in the order of days; each day once, as it stands. */
export function earlierRecords(view: PersonView, dayId: number, retest: string | undefined): EarlierRecord[] {
  if (retest === undefined) return [];
  const { beads } = view.strand;
  const until = beads.findIndex((b) => b.dayId === dayId);
  return beads.slice(0, Math.max(0, until)).flatMap((bead): EarlierRecord[] => {
    const day = view.days.get(bead.dayId);
    return day?.record && day.retest?.toLowerCase() === retest.toLowerCase()
      ? [{ dayWords: formatShortDay(bead.date), scores: day.record.scores }]
      : [];
  });
}

/** What a day of someone is to be held against. */
export const dayToMatch = (view: PersonView, dayId: number, { sent, plan }: FittedView): ToMatch =>
  toMatch(sent, plan, earlierRecords(view, dayId, sent.retest));
