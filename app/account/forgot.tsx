import { Button, Input } from 'antd';
import { COACH_CHANNEL } from '../../core/channels/channels.ts';
import { randomUUID } from 'node:crypto';
import { data, Form, Link } from 'react-router';
import { isEmailAddress } from '../../core/channels/email.ts';
import { cutLetters } from '../../core/letters.ts';
import { findCoachByEmail } from '../../db/queries/doors/coach.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import { nowMs } from '../../server/config.ts';
import { inWorkspace, onDatabase } from '../../server/database.ts';
import { formText } from '../../server/http/form-text.ts';
import { ADDRESS_HEADER } from '../../server/http/address-header.ts';
import { networkOf } from '../../server/http/limits/network.ts';
import { ECHO_LETTERS } from '../../server/http/limits/limits.ts';
import { readForm } from '../../server/http/read-body.ts';
import { isSeldom } from '../../server/doors/sign-in.ts';
import { Mark } from '../shell/frame/mark.tsx';
import formCss from '../participant/doors/plain-form.css?url';
import type { Route } from './+types/forgot';

export const meta: Route.MetaFunction = () => [{ title: 'A new password · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: formCss }];

const HOUR_MS = 3_600_000;
/**
 * Messages that can be asked for in a quarter of an hour from one network: for one address, and in all. Nobody elsewhere can use up what
 * the owner may ask for.
 */
const MOST = { address: 2, network: 10 } as const;

/** Asks for a message with a door to a new password. The answer is the same whether or not the address is a coach's. */
export async function action({ request }: Route.ActionArgs) {
  const { form } = await readForm(request);
  const email = formText(form, 'email').trim().toLowerCase();
  if (!isEmailAddress(email))
    return data(
      { error: 'That is no e-mail address.', email: cutLetters(email, ECHO_LETTERS), done: false },
      { status: 400 },
    );
  const network = networkOf(request.headers.get(ADDRESS_HEADER));
  const isAllowed = await isSeldom({
    [`forgot-from ${network}`]: MOST.network,
    [`forgot ${email} from ${network}`]: MOST.address,
  });
  const account = isAllowed ? await onDatabase((db) => findCoachByEmail(db, email)) : undefined;
  if (account)
    await inWorkspace(account.workspaceId, (db) =>
      insertMessage(db, {
        workspaceId: account.workspaceId,
        kind: 'reset',
        channel: COACH_CHANNEL,
        address: email,
        coachId: account.coachId,
        expiresAt: new Date(nowMs() + HOUR_MS),
        now: new Date(nowMs()),
        extra: { salt: randomUUID() },
      }),
    );
  return data({ error: '', email: '', done: true });
}

export default function Forgot({ actionData }: Route.ComponentProps) {
  return (
    <main className="lone">
      <Mark size={38} />
      <h1>A new password</h1>
      {actionData?.done ? (
        <p role="status">
          If that address is a coach’s, a message is on its way to it, with a link that works once, for an hour.
        </p>
      ) : (
        <Form method="post" className="plain-form" noValidate>
          <label htmlFor="email">Your e-mail</label>
          <Input
            id="email"
            name="email"
            type="email"
            autoComplete="username"
            defaultValue={actionData?.email ?? ''}
            aria-invalid={!!actionData?.error}
            {...(!!actionData?.error && { status: 'error' as const })}
            aria-describedby="email-error"
          />
          <p className="field-error" id="email-error">
            {actionData?.error}
          </p>
          <Button type="primary" size="large" block htmlType="submit">
            Send me a link
          </Button>
        </Form>
      )}
      <p>
        <Link to="/sign-in">To sign in</Link>
      </p>
    </main>
  );
}
