import type pg from 'pg';
import { formatDay } from '../../core/calendar/day.ts';
import { welcomeWords } from '../../words/en/welcome.ts';
import { listCoaches } from '../../db/queries/doors/coach.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import type { PersonView } from './person-view.ts';

/**
 * What to welcome somebody with: whoever has just joined, or has opened nothing and logged nothing yet. Null for everybody else, and where
 * nothing is planned for them.
 */
export async function loadWelcome(
  db: pg.PoolClient,
  { enrolment }: LinkScope,
  { strand, days }: PersonView,
  hasJustJoined: boolean,
  next: { readonly words: string; readonly time: string } | null,
): Promise<readonly string[] | null> {
  const isKnown = [...days.values()].some((d) => d.record !== undefined || d.released?.opened || d.released?.begun);
  const own = strand.beads.filter((b) => b.state !== 'before');
  const [first, last] = [own[0], own.at(-1)];
  if ((isKnown && !hasJustJoined) || !first || !last || enrolment.run.archivedAtMs !== null) return null;
  const [coach] = await listCoaches(db);
  return welcomeWords({
    coachName: coach?.name ?? '',
    about: enrolment.run.join.words,
    sessions: own.length,
    weeks: new Set(own.map((b) => b.week)).size,
    firstWords: formatDay(first.date),
    lastWords: formatDay(last.date),
    next,
    asked: enrolment.profile.contact.addressState === 'asked' ? enrolment.profile.address : null,
  });
}
