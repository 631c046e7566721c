import { costlyByLink } from '../../../server/http/limits/costly-reads.ts';
import { ownPaper, paperAnswer, partOf } from '../../../server/paper/paper.ts';
import type { Route } from './+types/sheet';

/** A day of theirs as PDF, as they do it; `week.pdf`: all of its week that is open. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const part = partOf(request);
  return costlyByLink(params.token, async () => paperAnswer(await ownPaper(params, part)));
}
