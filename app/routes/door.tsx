import { data, Form, redirect } from 'react-router';
import { object, string } from 'yup';
import { hasAtMost } from '../../core/letters.ts';
import {
  findCoachDoor,
  insertCoach,
  updateCoachPassword,
  useCoachDoor as goThroughDoor,
} from '../../db/queries/coach.ts';
import { nowMs } from '../../server/config.ts';
import { inWorkspace, onDatabase } from '../../server/database.ts';
import { formText } from '../../server/form-text.ts';
import { hashPassword } from '../../server/hash-password.ts';
import { yupErrors } from '../../server/log-form.ts';
import { readForm } from '../../server/read-body.ts';
import { signInAs } from '../../server/sign-in.ts';
import { hashToken, isTokenShaped } from '../../server/token.ts';
import { Mark } from '../components/mark.tsx';
import formCss from '../theme/plain-form.css?url';
import type { Route } from './+types/door';

export const meta: Route.MetaFunction = () => [
  { title: 'Come in · Ysodos' },
  { name: 'referrer', content: 'no-referrer' },
];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: formCss }];

async function doorOf(token: string) {
  const door = isTokenShaped(token)
    ? await onDatabase((db) => findCoachDoor(db, hashToken(token), new Date(nowMs())))
    : undefined;
  if (!door) throw data({ kind: 'link' }, { status: 404 });
  return door;
}

export async function loader({ params }: Route.LoaderArgs) {
  const { kind, email } = await doorOf(params.token);
  return { kind, email };
}

const schema = object({
  password: string()
    .required('Choose a password.')
    .min(10, 'At least ten letters; a few words in a row are good.')
    .max(200, 'That is too long for a password.'),
  name: string().trim().test('letters', 'At most 80 letters.', hasAtMost(80)),
});

/** A new password, or a further coach: once, and every sign-in that there was before ends. Fails closed. */
export async function action({ request, params }: Route.ActionArgs) {
  const door = await doorOf(params.token);
  const { form } = await readForm(request);
  const values = { password: formText(form, 'password'), name: formText(form, 'name').trim() };
  const errors = await yupErrors(schema, values);
  if (door.kind === 'invite' && values.name === '') errors.name ??= 'Say what people call you.';
  if (Object.keys(errors).length > 0) return data({ errors, name: values.name.slice(0, 80) }, { status: 400 });
  const passwordHash = await hashPassword(values.password);
  const { workspaceId } = door;
  const coachId = await inWorkspace(workspaceId, async (db) => {
    if (!(await goThroughDoor(db, hashToken(params.token), new Date(nowMs())))) return undefined;
    if (door.kind === 'invite')
      return insertCoach(db, { workspaceId, email: door.email, name: values.name, passwordHash });
    await updateCoachPassword(db, door.coachId!, passwordHash);
    return door.coachId!;
  });
  if (coachId === undefined)
    return data(
      {
        errors: {
          form: 'The link was used already, or that address is a coach’s by now. Sign in, or ask for another.',
        },
        name: '',
      },
      { status: 409 },
    );
  return redirect('/programmes', { headers: { 'set-cookie': await signInAs(request, { workspaceId, coachId }) } });
}

export default function Door({ loaderData, actionData }: Route.ComponentProps) {
  const { kind, email } = loaderData;
  const errors: Record<string, string> = actionData?.errors ?? {};
  return (
    <main className="lone">
      <Mark size={38} />
      <h1>{kind === 'invite' ? 'Come in' : 'A new password'}</h1>
      <p className="soft">
        {kind === 'invite'
          ? `You will coach here as ${email}.`
          : `For ${email}. Wherever you are signed in now, you will be signed out.`}
      </p>
      <Form method="post" className="plain-form" noValidate>
        {errors.form && (
          <p className="notice bad" role="alert">
            {errors.form}
          </p>
        )}
        <input type="hidden" name="username" autoComplete="username" value={email} />
        {kind === 'invite' && (
          <>
            <label htmlFor="name">Your name</label>
            <input
              id="name"
              name="name"
              autoComplete="name"
              maxLength={80}
              defaultValue={actionData?.name ?? ''}
              aria-describedby="name-error"
            />
            <p className="field-error" id="name-error">
              {errors.name}
            </p>
          </>
        )}
        <label htmlFor="password">A password</label>
        <input
          id="password"
          name="password"
          type="password"
          autoComplete="new-password"
          aria-invalid={!!errors.password}
          aria-describedby="password-error"
        />
        <p className="field-error" id="password-error">
          {errors.password}
        </p>
        <button type="submit">{kind === 'invite' ? 'Come in' : 'Set it, and sign in'}</button>
      </Form>
    </main>
  );
}
