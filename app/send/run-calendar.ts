import { data } from 'react-router';
import { findRunFeed } from '../../db/queries/run.ts';
import { getProgrammeOfRun } from '../../db/queries/programme.ts';
import { costlyByLink, countRead } from '../../server/http/limits/costly-reads.ts';
import { nowMs } from '../../server/config.ts';
import { inWorkspace, onDatabase } from '../../server/database.ts';
import { runFeed, taggedFile } from '../../server/paper/feeds.ts';
import { hashToken, isTokenShaped } from '../../server/doors/token.ts';
import type { Route } from './+types/run-calendar';

/** The calendar of a run, for its coach. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const found = isTokenShaped(params.token)
    ? await onDatabase((db) => findRunFeed(db, hashToken(params.token)))
    : undefined;
  if (!found) throw data({ kind: 'missing' }, { status: 404 });
  const file = await costlyByLink(params.token, () =>
    inWorkspace(found.workspaceId, async (db) => {
      await countRead(db, { kind: 'link', id: -found.runId, workspaceId: found.workspaceId });
      return runFeed(db, await getProgrammeOfRun(db, found.runId, new Date(nowMs())), found.workspaceId);
    }),
  );
  return taggedFile(request, file, 'text/calendar; charset=utf-8', {
    'content-disposition': 'inline; filename="run.ics"',
  });
}
