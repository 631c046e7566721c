import { data, Form } from 'react-router';
import { confirmAddress, findAddressKey } from '../../../db/queries/doors/link.ts';
import { linkSecret, nowMs } from '../../../server/config.ts';
import { pathInMessages } from '../../../server/doors/path-in-messages.ts';
import { inWorkspace, onDatabase } from '../../../server/database.ts';
import { readForm } from '../../../server/http/read-body.ts';
import { hashToken, isTokenShaped } from '../../../server/doors/token.ts';
import participantCss from '../participant.css?url';
import type { Route } from './+types/confirm';

export const meta: Route.MetaFunction = () => [
  { title: 'Your address · Ysodos' },
  { name: 'robots', content: 'noindex' },
  { name: 'referrer', content: 'no-referrer' },
];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: participantCss }];

async function keyOf(token: string) {
  const key = isTokenShaped(token)
    ? await onDatabase((db) => findAddressKey(db, hashToken(token), new Date(nowMs())))
    : undefined;
  if (!key) throw data({ kind: 'link' }, { status: 404 });
  return key;
}

/** `/confirm/TOKEN` says that an address is theirs: once, for the address that it was sent to. Nothing happens by looking at it. */
export async function loader({ params }: Route.LoaderArgs) {
  await keyOf(params.token);
  return null;
}

export async function action({ params, request }: Route.ActionArgs) {
  const { workspaceId, personId } = await keyOf(params.token);
  await readForm(request);
  const now = new Date(nowMs());
  const page = await inWorkspace(workspaceId, async (db) => {
    if (!(await confirmAddress(db, hashToken(params.token), now))) throw data({ kind: 'link' }, { status: 404 });
    return pathInMessages(db, { workspaceId, personId, secret: linkSecret(), now });
  });
  return { page };
}

/** It was found until a moment ago: what was done stays said. */
export const shouldRevalidate = () => false;

export default function Confirm({ actionData }: Route.ComponentProps) {
  return (
    <main className="person">
      {actionData ? (
        <>
          <h1>Thank you</h1>
          <p role="status">Your sessions come to this address from now on.</p>
          {actionData.page && (
            <p>
              <a className="big-action" href={actionData.page}>
                Open your page
              </a>
            </p>
          )}
        </>
      ) : (
        <>
          <h1>Is this address yours?</h1>
          <p>Say so, and your sessions come here, each on its morning.</p>
          <Form method="post">
            <button className="big-action" type="submit">
              Yes, send them here
            </button>
          </Form>
        </>
      )}
    </main>
  );
}
