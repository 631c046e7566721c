import { notFound, withProgramme } from '../../server/doors/coach-scope.ts';
import { drawProposal } from '../../server/follow-up/drawn-proposal.ts';
import { parseBy } from '../../server/follow-up/proposal-answers.ts';
import { parseId } from '../../server/http/parse-number.ts';
import type { Route } from './+types/drawn';

/** What taking one person's proposal would change, in their own next session. */
export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(
    request,
    params.programmeId,
    async (db, { programme }) => {
      const by = parseBy(new URL(request.url).searchParams.get('by') ?? '');
      const enrolmentId = parseId(params.enrolmentId);
      if (by === 'none' || enrolmentId === undefined) return notFound();
      return (await drawProposal(db, programme, enrolmentId, by)) ?? notFound();
    },
    'coach',
  );
}
