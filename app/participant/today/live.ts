import { answerLive } from '../../../server/participant/answer-live.ts';
import { formText } from '../../../server/http/form-text.ts';
import { personForm, withPersonalLink } from '../../../server/doors/personal-link.ts';
import type { Route } from './+types/live';

/** Whether someone comes to a live session, or that they are there: by the code that the room sees. Being there is a done session. */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  const dayText = formText(form, 'day');
  const answer = formText(form, 'answer');
  return withPersonalLink(params.token, (db, scope) => answerLive(db, scope, dayText, params, answer, form), {
    day: dayText,
  });
}
