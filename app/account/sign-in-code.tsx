import { Button, Input } from 'antd';
import { data, Form, Link, redirect, useNavigation } from 'react-router';
import { findSession, safePath } from '../../server/doors/coach-session.ts';
import { formText } from '../../server/http/form-text.ts';
import { readForm } from '../../server/http/read-body.ts';
import { tryCode } from '../../server/doors/sign-in.ts';
import { Mark } from '../shell/frame/mark.tsx';
import formCss from '../participant/doors/plain-form.css?url';
import type { Route } from './+types/sign-in-code';

export const meta: Route.MetaFunction = () => [{ title: 'The second step · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: formCss }];

const toOf = (request: Request): string => safePath(new URL(request.url).searchParams.get('to'));

export async function loader({ request }: Route.LoaderArgs) {
  const session = await findSession(request);
  if (!session) throw redirect('/sign-in');
  if (!session.waitsForCode) throw redirect(toOf(request));
  return null;
}

export async function action({ request }: Route.ActionArgs) {
  const session = await findSession(request);
  if (!session) throw redirect('/sign-in');
  if (!session.waitsForCode) throw redirect(toOf(request));
  const { form } = await readForm(request);
  const code = formText(form, 'code').trim();
  if (code === '') return data({ error: 'Write the code that your phone shows.' }, { status: 400 });
  switch (await tryCode(session, code)) {
    case 'in':
      throw redirect(toOf(request));
    case 'wrong':
      return data({ error: 'That code is not right, or was used already. Wait for the next one.' }, { status: 400 });
    case 'too-many':
      return data({ error: 'Those were many codes; wait a quarter of an hour.' }, { status: 429 });
  }
}

export default function SignInCode({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  const error = actionData?.error ?? '';
  return (
    <main className="lone">
      <Mark size={38} />
      <h1>The second step</h1>
      <p className="soft">Write the six digits that your authenticator shows now. A recovery code does too, once.</p>
      <Form method="post" className="plain-form" noValidate>
        <label htmlFor="code">Code</label>
        <Input
          id="code"
          name="code"
          autoComplete="one-time-code"
          autoFocus
          aria-invalid={error !== ''}
          {...(error !== '' && { status: 'error' as const })}
          aria-describedby="code-error"
        />
        <p className="field-error" id="code-error" role={error === '' ? undefined : 'alert'}>
          {error}
        </p>
        <Button type="primary" size="large" block htmlType="submit" loading={busy}>
          {busy ? 'Signing in …' : 'Sign in'}
        </Button>
      </Form>
      <p className="soft">
        The phone is gone, and the recovery codes too? An owner of your workspace can remove you and invite you anew.
      </p>
      <p>
        <Link to="/sign-in">Sign in as somebody else</Link>
      </p>
    </main>
  );
}
