import { refused, takeChange } from '../../server/plan/take-change.ts';
import { StaleError } from '../../db/errors.ts';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { BODY_BYTES } from '../../server/http/limits/limits.ts';
import { formText } from '../../server/http/form-text.ts';
import type { Route } from './+types/plan-change';

/** Changes a plan by the edits that were shown before; takes a change back; saves the plan as a template. */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.programme);
  const intent = formText(form, 'intent');
  try {
    return await withProgramme(request, params.programmeId, (db, scope) => takeChange(db, scope, intent, form));
  } catch (error) {
    if (error instanceof StaleError)
      return refused(
        'The plan was changed elsewhere in the meantime. It has been loaded anew; look at your change again.',
        409,
      );
    throw error;
  }
}
