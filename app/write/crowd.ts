import { seesHealth } from '../../core/coach-role.ts';
import { localDate } from '../../core/calendar/release.ts';
import { nowMs } from '../../server/config.ts';
import { listParticipants } from '../../db/queries/person.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { fitPersonOf } from '../../server/participant/fitted-view.ts';
import type { SeenPerson } from './seen-person.ts';
import type { Route } from './+types/crowd';

/** The people of a programme as a session is fitted to them: asked for once the writer stands. */
export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme, coach }) => {
    // What people spare is theirs and their coaches' to know.
    if (!seesHealth(coach.role)) return [];
    const people = await listParticipants(db, programme.runId);
    // Whoever has left gets nothing of it.
    return people
      .filter((p) => p.leftOn === null || p.leftOn > localDate(nowMs(), p.timeZone))
      .map((p): SeenPerson => ({ id: p.enrolmentId, name: p.name, person: fitPersonOf(p) }));
  });
}
