import { findPeople } from '../../db/queries/person.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import type { Route } from './+types/find';

/** People of a run by a part of their name (`?q=`): for choosing one of many. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const words = (new URL(request.url).searchParams.get('q') ?? '').trim().slice(0, 80);
  return withProgramme(request, params.programmeId, (db, { programme }) => findPeople(db, programme.runId, words));
}
