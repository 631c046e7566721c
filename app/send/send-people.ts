import { listDayPeople } from '../../db/queries/messages/outbox.ts';
import { notFound, withDay } from '../../server/doors/coach-scope.ts';
import type { Route } from './+types/send-people';

/** People shown; the outbox finds the rest. */
const MOST = 500;

/** How far a day has come, person by person: asked for when it is opened. */
export async function loader({ request, params }: Route.LoaderArgs) {
  return withDay(
    request,
    params,
    async (db, { programme, day }) =>
      day ? listDayPeople(db, { runId: programme.runId, dayId: day.id, limit: MOST }) : notFound(),
    'coach',
  );
}
