import type pg from 'pg';
import type { DayPlace } from '../../core/calendar/day.ts';
import { dayKey } from '../../core/calendar/day.ts';
import { analyseText, isSendable } from '../../core/session/analyse.ts';
import { plural } from '../../core/words/words.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { listDays, updateDaysReady } from '../../db/queries/programme.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** Marks days ready, as many as can be sent as they are; says how many those were, and how many aren't. */
export async function markReady(db: pg.PoolClient, programme: Programme, places: readonly DayPlace[]): Promise<string> {
  const wanted = new Set(places.map(dayKey));
  const book = await loadWorkspaceBook(db);
  const days = (await listDays(db, programme)).filter((d) => wanted.has(dayKey(d)) && !d.isReady && d.text !== '');
  const whole = days.filter((d) => isSendable(analyseText(d.text, book.library, book.routines)));
  await updateDaysReady(db, whole);
  const left = days.length - whole.length;
  return [
    `${plural(whole.length, 'day is', 'days are')} ready.`,
    left > 0 &&
      `${plural(left, 'day isn’t', 'days aren’t')}: something in ${left === 1 ? 'it' : 'them'} can’t be read yet.`,
  ]
    .filter((words) => words !== false)
    .join(' ');
}
