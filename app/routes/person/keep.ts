import { nowMs } from '../../../server/config.ts';
import { listKeptPages } from '../../../server/kept-pages.ts';
import { loadPersonView } from '../../../server/person-view.ts';
import { withPersonalLink } from '../../../server/personal-link.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import type { Route } from './+types/keep';

/** What the service worker keeps of someone's pages. */
export const loader = ({ params }: Route.LoaderArgs) =>
  withPersonalLink(params.token, async (db, scope) =>
    Response.json(
      listKeptPages(params.token, scope, await loadPersonView(db, scope), await loadWorkspaceBook(db), nowMs()),
      { headers: { 'cache-control': 'private, no-store' } },
    ),
  );
