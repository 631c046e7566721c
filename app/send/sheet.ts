import { costlyByCoach } from '../../server/http/limits/costly-reads.ts';
import { coachPaper, paperAnswer, partOf } from '../../server/paper/paper.ts';
import type { Route } from './+types/sheet';

/** A day, or a week of days, as PDF for the coach: as written, with a code that leads people in. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const part = partOf(request);
  return costlyByCoach(request, async () => paperAnswer(await coachPaper(request, params, part)));
}
