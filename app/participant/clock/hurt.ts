import { data } from 'react-router';
import { insertPain } from '../../../db/queries/pain.ts';
import { nowMs } from '../../../server/config.ts';
import { readHurtForm } from '../../../server/participant/hurt-form.ts';
import { withLoggedDay } from '../../../server/participant/logged-day.ts';
import { personForm } from '../../../server/doors/personal-link.ts';
import type { Route } from './+types/hurt';

/** Something hurt during a session: told to the coach at once, with or without a record later. */
export async function action({ params, request }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  return withLoggedDay(params, form, async ({ db, scope, versionId }) => {
    const read = await readHurtForm(form);
    if (read.status === 'error') return data({ errors: read.errors }, { status: 400 });
    await insertPain(db, {
      ...read.hurt,
      workspaceId: scope.workspaceId,
      enrolmentId: scope.enrolment.enrolmentId,
      versionId,
      clientId: read.clientId,
      toldAtMs: nowMs(),
    });
    return data({ errors: {} });
  });
}
