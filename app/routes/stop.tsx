import { data, Form } from 'react-router';
import { findStopKey, updateAddressState } from '../../db/queries/person.ts';
import { inWorkspace, onDatabase } from '../../server/database.ts';
import { readForm } from '../../server/read-body.ts';
import participantCss from '../theme/participant.css?url';
import type { Route } from './+types/stop';

export const meta: Route.MetaFunction = () => [{ title: 'Messages · Ysodos' }, { name: 'robots', content: 'noindex' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: participantCss }];

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

async function personOf(key: string) {
  const found = UUID.test(key) ? await onDatabase((db) => findStopKey(db, key)) : undefined;
  if (!found) throw data({ kind: 'link' }, { status: 404 });
  return found;
}

/** Whether it is asked to confirm an address; a page's own script asks below `.data`. */
const asksToConfirm = (request: Request): boolean => /\/confirm(\.data)?$/.test(new URL(request.url).pathname);

/** `/stop/KEY` ends someone's messages, `/stop/KEY/confirm` says that an address is theirs. Nothing happens by looking at it. */
export async function loader({ params, request }: Route.LoaderArgs) {
  await personOf(params.key);
  return { isConfirm: asksToConfirm(request) };
}

/** By the page's button, or by one click in a mail program (RFC 8058), which comes from nowhere and signs in nobody. */
export async function action({ params, request }: Route.ActionArgs) {
  const { workspaceId, personId } = await personOf(params.key);
  await readForm(request);
  const isConfirm = asksToConfirm(request);
  await inWorkspace(workspaceId, (db) => updateAddressState(db, personId, isConfirm ? 'confirmed' : 'stopped'));
  return { done: isConfirm ? ('confirmed' as const) : ('stopped' as const) };
}

export default function Stop({ loaderData, actionData }: Route.ComponentProps) {
  const { isConfirm } = loaderData;
  return (
    <main className="person">
      {actionData ? (
        <>
          <h1>{actionData.done === 'stopped' ? 'No more messages' : 'Thank you'}</h1>
          <p role="status">
            {actionData.done === 'stopped'
              ? 'None will come to you from here. Your sessions stay open by your link, and you can have messages again on your own page.'
              : 'Your sessions come to this address from now on.'}
          </p>
        </>
      ) : (
        <>
          <h1>{isConfirm ? 'Is this address yours?' : 'No more messages?'}</h1>
          <p>
            {isConfirm
              ? 'Say so, and your sessions come here, each on its morning.'
              : 'Your sessions stay open by your link; only the messages about them end.'}
          </p>
          <Form method="post">
            <button className="big-action" type="submit">
              {isConfirm ? 'Yes, send them here' : 'Stop the messages'}
            </button>
          </Form>
        </>
      )}
    </main>
  );
}
