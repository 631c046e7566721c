import { Button } from 'antd';
import { data, Form, redirect, useNavigation } from 'react-router';
import { coachForm, requireRole } from '../../server/doors/coach-scope.ts';
import { safePath } from '../../server/doors/coach-session.ts';
import { proveAgain } from '../../server/doors/prove-again.ts';
import { AccountPage, AccountPart } from './account-page.tsx';
import { ProveAgain } from './prove-again.tsx';
import accountCss from './account.css?url';
import type { Route } from './+types/again';

export const meta: Route.MetaFunction = () => [{ title: 'Is it you? · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: accountCss }];

/** Asks for the password before a file with what people said leaves; then goes on to it. */
export async function action({ request }: Route.ActionArgs) {
  const form = await coachForm(request, undefined, 'reader');
  const errors = await proveAgain(await requireRole(request, 'reader'), form, true);
  if (errors) return data({ errors }, { status: 400 });
  return redirect(safePath(new URL(request.url).searchParams.get('to')));
}

export default function Again({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  return (
    <AccountPage title="Is it you?">
      <AccountPart
        title="Before it leaves"
        says="What you asked for has to do with people. Once you have shown that it is you, it comes, and you aren’t asked again for ten minutes."
      >
        {/* The browser's own way: what follows may be a file. */}
        <Form method="post" className="account-form" reloadDocument>
          <ProveAgain errors={actionData?.errors} always />
          <Button type="primary" htmlType="submit" loading={busy}>
            Go on
          </Button>
        </Form>
      </AccountPart>
    </AccountPage>
  );
}
