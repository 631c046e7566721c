import { data, Form } from 'react-router';
import { findStopKey, updateAddressState } from '../../../db/queries/person.ts';
import { inWorkspace, onDatabase } from '../../../server/database.ts';
import { readForm } from '../../../server/http/read-body.ts';
import participantCss from '../participant.css?url';
import type { Route } from './+types/stop';

export const meta: Route.MetaFunction = () => [{ title: 'Messages · Ysodos' }, { name: 'robots', content: 'noindex' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: participantCss }];

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

async function personOf(key: string) {
  const found = UUID.test(key) ? await onDatabase((db) => findStopKey(db, key)) : undefined;
  if (!found) throw data({ kind: 'link' }, { status: 404 });
  return found;
}

/** `/stop/KEY` ends someone's messages. Nothing happens by looking at it. */
export async function loader({ params }: Route.LoaderArgs) {
  await personOf(params.key);
  return null;
}

/** By the page's button, or by one click in a mail program (RFC 8058), which comes from nowhere and signs in nobody. */
export async function action({ params, request }: Route.ActionArgs) {
  const { workspaceId, personId } = await personOf(params.key);
  await readForm(request);
  await inWorkspace(workspaceId, (db) => updateAddressState(db, personId, 'stopped'));
  return { done: true };
}

export default function Stop({ actionData }: Route.ComponentProps) {
  return (
    <main className="person">
      {actionData ? (
        <>
          <h1>No more messages</h1>
          <p role="status">
            None will come to you from here. Your sessions stay open by your link, and you can have messages again on
            your own page.
          </p>
        </>
      ) : (
        <>
          <h1>No more messages?</h1>
          <p>Your sessions stay open by your link; only the messages about them end.</p>
          <Form method="post">
            <button className="big-action" type="submit">
              Stop the messages
            </button>
          </Form>
        </>
      )}
    </main>
  );
}
