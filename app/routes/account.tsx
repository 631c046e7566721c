import { randomUUID } from 'node:crypto';
import { data, Form, redirect } from 'react-router';
import { isEmailAddress } from '../../core/exchange/address.ts';
import { cutLetters } from '../../core/letters.ts';
import { deleteCoachSessions, findCoachByEmail, listCoaches } from '../../db/queries/coach.ts';
import { insertMessage } from '../../db/queries/message.ts';
import { coachForm, withCoach } from '../../server/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { onDatabase } from '../../server/database.ts';
import { formText } from '../../server/form-text.ts';
import { ECHO_LETTERS } from '../../server/limits.ts';
import { isSeldom, signOut } from '../../server/sign-in.ts';
import { CoachHead } from '../components/coach-head.tsx';
import { SaveNote } from '../components/save-note.tsx';
import sendCss from '../theme/send.css?url';
import type { Route } from './+types/account';

export const meta: Route.MetaFunction = () => [{ title: 'Sign-in and coaches · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: sendCss }];

const WEEK_MS = 7 * 86_400_000;
/** Invitations that a coach can send in a quarter of an hour. */
const MOST_INVITATIONS = 10;

export async function loader({ request }: Route.LoaderArgs) {
  return withCoach(request, async (db, coach) => ({
    coaches: await listCoaches(db),
    me: coach.coachId,
    workspace: coach.workspaceName,
  }));
}

/** Invites a further coach by message, or ends every sign-in of one's own. */
export async function action({ request }: Route.ActionArgs) {
  const form = await coachForm(request);
  const email = formText(form, 'email').trim().toLowerCase();
  const echo = cutLetters(email, ECHO_LETTERS);
  const known =
    formText(form, 'intent') === 'invite' && isEmailAddress(email)
      ? await onDatabase((db) => findCoachByEmail(db, email))
      : undefined;
  if (formText(form, 'intent') === 'everywhere') {
    await withCoach(request, (db, coach) => deleteCoachSessions(db, coach.coachId));
    // Only once that stands: this browser's own session is among them.
    return redirect('/sign-in', { headers: { 'set-cookie': await signOut(request) } });
  }
  return withCoach(request, async (db, coach) => {
    if (!isEmailAddress(email))
      return data({ error: 'That is no e-mail address.', told: '', email: echo }, { status: 400 });
    if (known) return data({ error: 'That address is a coach’s already.', told: '', email: echo }, { status: 409 });
    if (!(await isSeldom({ [`invite ${coach.coachId}`]: MOST_INVITATIONS })))
      return data(
        { error: 'That were many invitations; wait a quarter of an hour.', told: '', email: echo },
        { status: 429 },
      );
    await insertMessage(db, {
      workspaceId: coach.workspaceId,
      kind: 'invite',
      channel: 'email',
      address: email,
      coachId: coach.coachId,
      expiresAt: new Date(nowMs() + WEEK_MS),
      now: new Date(nowMs()),
      extra: { salt: randomUUID(), by: coach.coachName, workspace: coach.workspaceName },
    });
    return data({ error: '', told: `An invitation is on its way to ${email}. It works once, for a week.`, email: '' });
  });
}

export default function Account({ loaderData, actionData }: Route.ComponentProps) {
  const { coaches, me, workspace } = loaderData;
  const answer = actionData;
  return (
    <>
      <CoachHead />
      <main id="main" className="page run-page">
        <div className="page-title">
          <h1>Sign-in and coaches</h1>
          <p className="soft">{workspace}</p>
        </div>
        <h2>Who coaches here</h2>
        <ul className="run-others">
          {coaches.map((c) => (
            <li key={c.id}>
              <b>{c.name}</b> <span className="soft">{c.email}</span> {c.id === me && '(you)'}
            </li>
          ))}
        </ul>
        <Form method="post" className="run-form" noValidate>
          <input type="hidden" name="intent" value="invite" />
          {answer?.told && <SaveNote>{answer.told}</SaveNote>}
          <label>
            Invite a further coach, by e-mail
            <input name="email" type="email" defaultValue={answer?.email ?? ''} key={answer?.told ?? ''} />
            {answer?.error && (
              <span className="field-error" role="alert">
                {answer.error}
              </span>
            )}
          </label>
          <p className="soft small">They see and do all that you do in this workspace, health remarks included.</p>
          <button type="submit" className="button-quiet">
            Send the invitation
          </button>
        </Form>
        <h2>Your sign-in</h2>
        <p className="soft small">A lost phone, a borrowed computer: this ends it everywhere, here too.</p>
        <Form method="post">
          <button type="submit" className="button-quiet" name="intent" value="everywhere">
            Sign out everywhere
          </button>
        </Form>
      </main>
    </>
  );
}
