import { addPeople } from '../../server/people/add-people.ts';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { BODY_BYTES } from '../../server/http/limits/limits.ts';
import type { Route } from './+types/new-people';

/** Adds people, all of those that were pasted or none; lines with an error are left out only where that was said. */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.roster);
  return withProgramme(request, params.programmeId, (db, scope) => addPeople(db, scope, request, form));
}
