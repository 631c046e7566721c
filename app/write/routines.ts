import { storeRoutine } from '../../server/write/store-routine.ts';
import { coachForm, withCoach } from '../../server/doors/coach-scope.ts';
import { BODY_BYTES } from '../../server/http/limits/limits.ts';
import type { Route } from './+types/routines';

/** Stores, replaces or deletes a routine. 409 where the name is taken and replacing wasn't said. */
export async function action({ request }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.routine);
  return withCoach(request, (db, coach) => storeRoutine(db, coach, form));
}
