import { PaperWeek } from '../participant/paper/paper-week.tsx';
import { costlyByCoach } from '../../server/http/limits/costly-reads.ts';
import { coachPaper } from '../../server/paper/paper.ts';
import type { Route } from './+types/week';

export const loader = ({ request, params }: Route.LoaderArgs) =>
  costlyByCoach(request, () => coachPaper(request, params, 'week'));

export const meta = ({ data }: Route.MetaArgs) => [{ title: `${data?.title ?? 'A week'} · Ysodos` }];

/** A week as written, on paper for the coach. */
export default function CoachWeek({ loaderData, params }: Route.ComponentProps) {
  return <PaperWeek paper={loaderData} back={`/programmes/${params.programmeId}/send/${params.day}`} />;
}
