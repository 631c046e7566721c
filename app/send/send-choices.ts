import { data } from 'react-router';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { actOnHeld } from '../../server/send/held-actions.ts';
import type { Route } from './+types/send-choices';

/** Decides about what is held back, or did not go out in time. */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  return withProgramme(request, params.programmeId, async (db, scope) => {
    const told = await actOnHeld(db, scope, form);
    return data(told, { status: told.error === '' ? 200 : 400 });
  });
}
