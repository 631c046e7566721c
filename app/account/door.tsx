import { Button, Input } from 'antd';
import { yupErrors } from '../../server/http/form-schema.ts';
import { data, Form, redirect } from 'react-router';
import { object, string } from 'yup';
import { hasAtMost } from '../../core/letters.ts';
import { insertCoach, updateCoachEmail, updateCoachPassword, getCoachEmail } from '../../db/queries/doors/coach.ts';
import type { CoachDoor } from '../../db/queries/doors/coach-door.ts';
import { closeOwnDoors, findCoachDoor, useCoachDoor as goThroughDoor } from '../../db/queries/doors/coach-door.ts';
import { deleteCoachSessions } from '../../db/queries/doors/coach-session.ts';
import { tellCoach } from '../../server/account/account-changes.ts';
import { note } from '../../server/doors/audit.ts';
import { beginSession } from '../../server/doors/coach-session.ts';
import { nowMs } from '../../server/config.ts';
import { inWorkspace, onDatabase } from '../../server/database.ts';
import { formText } from '../../server/http/form-text.ts';
import { hashWhenFree } from '../../server/doors/hash-password.ts';
import { ADDRESS_HEADER } from '../../server/http/address-header.ts';
import { networkOf } from '../../server/http/limits/network.ts';
import { newPassword } from '../../server/doors/password-rules.ts';
import { readForm, refuse } from '../../server/http/read-body.ts';
import { hashToken, isTokenShaped } from '../../server/doors/token.ts';
import { Mark } from '../shell/frame/mark.tsx';
import formCss from '../participant/doors/plain-form.css?url';
import type { Route } from './+types/door';
import { ROLE_WORDS } from '../../words/en/coaches.ts';

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
  const { kind, email, role } = await doorOf(params.token);
  return { kind, email, role };
}

const schema = object({
  password: newPassword,
  name: string().trim().test('letters', 'At most 80 letters.', hasAtMost(80)),
});

const USED = 'The link was used already, or that address is a coach’s by now. Sign in, or ask for another.';

/** A new password, a further coach, or a new address: once. Every sign-in that there was before ends. Fails closed. */
export async function action({ request, params }: Route.ActionArgs) {
  const door = await doorOf(params.token);
  const { form } = await readForm(request);
  if (door.kind === 'address') return takeAddress(door, params.token);
  const values = { password: formText(form, 'password'), name: formText(form, 'name').trim() };
  const errors = await yupErrors(schema, values);
  if (door.kind === 'invite' && values.name === '') errors.name ??= 'Say what people call you.';
  if (Object.keys(errors).length > 0) return data({ errors, name: values.name.slice(0, 80) }, { status: 400 });
  const network = networkOf(request.headers.get(ADDRESS_HEADER));
  const passwordHash = await hashWhenFree(values.password, { key: `address:${network}`, isKnown: false });
  if (passwordHash === undefined) return refuse(503, 'away');
  const { workspaceId } = door;
  const coachId = await goIn(door, params.token, { name: values.name, passwordHash });
  if (coachId === undefined) return data({ errors: { form: USED }, name: '' }, { status: 409 });
  const { setCookie, waitsForCode } = await beginSession(request, { workspaceId, coachId });
  return redirect(waitsForCode ? '/sign-in/code' : '/programmes', { headers: { 'set-cookie': setCookie } });
}

/** Goes through a door as a further coach or with a new password, and gives the coach's id; undefined where it was used already. */
function goIn(door: CoachDoor, token: string, who: { readonly name: string; readonly passwordHash: string }) {
  const { workspaceId, role, email } = door;
  const { name, passwordHash } = who;
  return inWorkspace(workspaceId, async (db) => {
    const now = new Date(nowMs());
    if (!(await goThroughDoor(db, hashToken(token), now))) return undefined;
    if (door.kind === 'invite') {
      const made = await insertCoach(db, { workspaceId, email, name, passwordHash, role });
      if (made !== undefined) await note(db, { workspaceId, coachId: made }, 'joined', { detail: role });
      return made;
    }
    const own = { workspaceId, coachId: door.coachId! };
    await updateCoachPassword(db, own.coachId, passwordHash);
    await deleteCoachSessions(db, own.coachId);
    await closeOwnDoors(db, own.coachId, now);
    await note(db, own, 'password', { detail: 'by a message to their address' });
    return own.coachId;
  });
}

/** The address is theirs: from now on they sign in with it, anew everywhere. The one before is told. */
async function takeAddress({ workspaceId, coachId, email }: CoachDoor, token: string) {
  const isTaken = await inWorkspace(workspaceId, async (db) => {
    const now = new Date(nowMs());
    const own = { workspaceId, coachId: coachId! };
    const before = await getCoachEmail(db, own.coachId);
    if (!(await goThroughDoor(db, hashToken(token), now))) return false;
    if (!(await updateCoachEmail(db, own.coachId, email))) return false;
    await deleteCoachSessions(db, own.coachId);
    await closeOwnDoors(db, own.coachId, now);
    await note(db, own, 'address', { detail: `${email}, before ${before}` });
    await tellCoach(db, own, {
      address: before,
      subject: 'You sign in with another address now',
      words: `From now on ${email} signs in to Ysodos as you, not this address. If that was not you, ask an owner of your workspace at once.`,
    });
    return true;
  });
  return isTaken ? redirect('/sign-in') : data({ errors: { form: USED }, name: '' }, { status: 409 });
}

const TITLES = { invite: 'Come in', reset: 'A new password', address: 'Your new address' } as const;
const BUTTONS = { invite: 'Come in', reset: 'Set it, and sign in', address: 'It is mine' } as const;

export default function Door({ loaderData, actionData }: Route.ComponentProps) {
  const { kind, email, role } = loaderData;
  const errors: Record<string, string> = actionData?.errors ?? {};
  return (
    <main className="lone">
      <Mark size={38} />
      <h1>{TITLES[kind]}</h1>
      <p className="soft">
        {kind === 'invite'
          ? `You will come in as ${email}, ${ROLE_WORDS[role].as}.`
          : `${kind === 'address' ? `You sign in with ${email} from now on.` : `For ${email}.`} Wherever you are signed in now, you will be signed out.`}
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
            <Input
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
        {kind !== 'address' && (
          <>
            <label htmlFor="password">A password</label>
            <Input
              id="password"
              name="password"
              type="password"
              autoComplete="new-password"
              aria-invalid={!!errors.password}
              {...(!!errors.password && { status: 'error' as const })}
              aria-describedby="password-error"
            />
            <p className="field-error" id="password-error">
              {errors.password}
            </p>
          </>
        )}
        <Button type="primary" size="large" block htmlType="submit">
          {BUTTONS[kind]}
        </Button>
      </Form>
    </main>
  );
}
