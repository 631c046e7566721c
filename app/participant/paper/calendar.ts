import { costlyByLink, countRead } from '../../../server/http/limits/costly-reads.ts';
import { personFeed, taggedFile } from '../../../server/paper/feeds.ts';
import { withPersonalLink } from '../../../server/doors/personal-link.ts';
import type { Route } from './+types/calendar';

/** Someone's calendar: by an address of its own, which opens nothing else and can be taken back apart from the link. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const file = await costlyByLink(params.token, () =>
    withPersonalLink(
      params.token,
      async (db, scope) => {
        await countRead(db, { kind: 'link', id: scope.enrolment.personId, workspaceId: scope.workspaceId });
        return personFeed(db, scope);
      },
      { kinds: ['calendar'] },
    ),
  );
  return taggedFile(request, file, 'text/calendar; charset=utf-8', {
    'content-disposition': 'inline; filename="sessions.ics"',
  });
}
