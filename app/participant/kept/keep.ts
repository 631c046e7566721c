import { nowMs } from '../../../server/config.ts';
import { listKeptPages } from '../../../server/participant/kept-pages.ts';
import { loadPersonView } from '../../../server/participant/person-view.ts';
import { withPersonalLink } from '../../../server/doors/personal-link.ts';
import { loadWorkspaceBook } from '../../../server/write/workspace-book.ts';
import type { Route } from './+types/keep';

/** What the service worker keeps of someone's pages. */
export const loader = ({ params }: Route.LoaderArgs) =>
  withPersonalLink(params.token, async (db, scope) =>
    Response.json(
      listKeptPages(params.token, scope, await loadPersonView(db, scope), await loadWorkspaceBook(db), nowMs()),
      { headers: { 'cache-control': 'private, no-store' } },
    ),
  );
