import { toRunDays } from '../../core/calendar/release.ts';
import { ownCalendars, stoppedPlaces } from '../../core/record/adherence/build-strand.ts';
import type { Adherence } from '../../core/record/adherence/strand.ts';
import type { Db } from '../../db/pool.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { listDayPlaces } from '../../db/queries/programme.ts';
import { listSentDays, sentSince } from '../../db/queries/record.ts';
import { listAdherence, listCalendars } from '../../db/queries/standing.ts';
import { listStops } from '../../db/queries/messages/stop.ts';
import { sentFacts } from './sent-facts.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** Sessions done over sessions due of a run, counted by the database: for where only the sums are wanted. */
export async function loadAttendance(
  db: Db,
  programme: Pick<Programme, 'id' | 'runId' | 'run'>,
  nowMs: number,
): Promise<{ readonly done: number; readonly due: number }> {
  const all = [...(await loadAdherence(db, programme, nowMs)).values()];
  return { done: all.reduce((n, a) => n + a.done, 0), due: all.reduce((n, a) => n + a.due, 0) };
}

/** The adherence of everybody in a run, counted by the database. */
export async function loadAdherence(
  db: Db,
  programme: Pick<Programme, 'id' | 'runId' | 'run'>,
  nowMs: number,
): Promise<Map<number, Adherence>> {
  const [places, sentDays, groups, book, stops] = await Promise.all([
    listDayPlaces(db, programme.id),
    listSentDays(db, programme.runId),
    listCalendars(db, programme.runId),
    loadWorkspaceBook(db),
    listStops(db, programme.runId),
  ]);
  const sentOf = new Map(sentDays.map((d) => [d.dayId, d]));
  const facts = await sentFacts(
    db,
    sentDays.map((d) => d.versionId),
    book,
  );
  const days = toRunDays(places).map((place) => {
    const sent = sentOf.get(place.dayId);
    const own = sent && facts.get(sent.versionId);
    return { ...place, sent: sent !== undefined, ...sentSince(sent), ...(own && { workSec: own.workSec }) };
  });
  const calendarOf = ownCalendars(programme.run.rules, days, nowMs);
  return listAdherence(
    db,
    programme.runId,
    days,
    groups.map((g) => ({ ...g, ...calendarOf(g) })),
    stops.flatMap((stop) =>
      stoppedPlaces(days, [stop], calendarOf(stop)).map((i) => ({
        enrolmentId: stop.enrolmentId,
        dayId: days[i]!.dayId,
      })),
    ),
  );
}
