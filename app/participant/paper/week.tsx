import { PaperWeek } from './paper-week.tsx';
import { costlyByLink } from '../../../server/http/limits/costly-reads.ts';
import { ownPaper } from '../../../server/paper/paper.ts';
import type { Route } from './+types/week';

export const loader = ({ params }: Route.LoaderArgs) => costlyByLink(params.token, () => ownPaper(params, 'week'));

export const meta = ({ data }: Route.MetaArgs) => [{ title: `${data?.title ?? 'A week'} · Ysodos` }];

/** What is open of a week, on paper, as they do it. */
export default function OwnWeek({ loaderData, params }: Route.ComponentProps) {
  return <PaperWeek paper={loaderData} back={`/p/${params.token}/${params.day}`} />;
}
