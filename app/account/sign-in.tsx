import { Button, Input } from 'antd';
import { yupErrors } from '../../server/http/form-schema.ts';
import { Form, Link, redirect, data, useNavigation } from 'react-router';
import { object, string } from 'yup';
import { cutLetters } from '../../core/letters.ts';
import { ADDRESS_HEADER } from '../../server/http/address-header.ts';
import { networkOf } from '../../server/http/limits/network.ts';
import { ECHO_LETTERS } from '../../server/http/limits/limits.ts';
import { findCoach, safePath } from '../../server/doors/coach-session.ts';
import { signIn } from '../../server/doors/sign-in.ts';
import { Mark } from '../shell/frame/mark.tsx';
import formCss from '../participant/doors/plain-form.css?url';
import { formText } from '../../server/http/form-text.ts';
import { readForm } from '../../server/http/read-body.ts';
import type { Route } from './+types/sign-in';

export const meta: Route.MetaFunction = () => [{ title: 'Sign in · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: formCss }];

const schema = object({
  email: string()
    .trim()
    .required('Write your e-mail address.')
    .max(200, 'That is too long for an address.')
    .email('That is no e-mail address.'),
  password: string().required('Write your password.').max(200, 'That is too long for a password.'),
});

export async function loader({ request }: Route.LoaderArgs) {
  if (await findCoach(request)) throw redirect(safePath(new URL(request.url).searchParams.get('to')));
  return null;
}

export async function action({ request }: Route.ActionArgs) {
  const { form } = await readForm(request);
  const values = { email: formText(form, 'email').trim(), password: formText(form, 'password') };
  const email = cutLetters(values.email, ECHO_LETTERS);
  const errors = await yupErrors(schema, values);
  if (Object.keys(errors).length > 0) return data({ errors, email }, { status: 400 });
  const networkAddress = networkOf(request.headers.get(ADDRESS_HEADER));
  const result = await signIn({ ...values, networkAddress, request });
  switch (result.kind) {
    case 'in': {
      const headers = new Headers();
      for (const value of result.setCookies) headers.append('set-cookie', value);
      const to = new URL(request.url).searchParams.get('to');
      throw redirect(
        result.waitsForCode ? `/sign-in/code${to ? `?to=${encodeURIComponent(safePath(to))}` : ''}` : safePath(to),
        { headers },
      );
    }
    case 'wrong':
      return data({ errors: { form: 'Address and password don’t go together.' }, email }, { status: 400 });
    case 'too-many': {
      const form = `Others are being looked at first. Wait ${result.waitSec} seconds, then try again.`;
      return data({ errors: { form }, email }, { status: 429, headers: { 'retry-after': String(result.waitSec) } });
    }
  }
}

export default function SignIn({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  const errors: Record<string, string> = actionData?.errors ?? {};
  return (
    <main className="lone">
      <Mark size={38} />
      <h1>Sign in</h1>
      <p className="soft">For coaches and hosts. Participants come by their personal link.</p>
      <Form method="post" className="plain-form" noValidate>
        {errors.form && (
          <p className="notice bad" role="alert">
            {errors.form}
          </p>
        )}
        <label htmlFor="email">E-mail</label>
        <Input
          id="email"
          name="email"
          type="email"
          autoComplete="username"
          defaultValue={actionData?.email ?? ''}
          aria-invalid={!!errors.email}
          {...(!!errors.email && { status: 'error' as const })}
          aria-describedby="email-error"
        />
        <p className="field-error" id="email-error">
          {errors.email}
        </p>
        <label htmlFor="password">Password</label>
        <Input
          id="password"
          name="password"
          type="password"
          autoComplete="current-password"
          aria-invalid={!!errors.password}
          {...(!!errors.password && { status: 'error' as const })}
          aria-describedby="password-error"
        />
        <p className="field-error" id="password-error">
          {errors.password}
        </p>
        <Button type="primary" size="large" block htmlType="submit" loading={busy}>
          {busy ? 'Signing in …' : 'Sign in'}
        </Button>
      </Form>
      <p>
        <Link to="/forgot">I forgot my password</Link>
      </p>
    </main>
  );
}
