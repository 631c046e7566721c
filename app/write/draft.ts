import { data } from 'react-router';
import { MAX_TEXT_BYTES } from '../../core/notation/parse.ts';
import { StaleError } from '../../db/errors.ts';
import { getDayById, updateDayRead, updateDayText } from '../../db/queries/programme.ts';
import { coachJson, notFound, withDay } from '../../server/doors/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { BODY_BYTES } from '../../server/http/limits/limits.ts';
import { parseRevision } from '../../server/http/parse-number.ts';
import type { Route } from './+types/draft';

const refused = (message: string, status = 400) => data({ message }, { status });
const tooLarge = () =>
  refused(
    `A session has at most ${MAX_TEXT_BYTES / 1000} kB of text and 400 items; this is more. It is still here, not saved: split it over several days.`,
    413,
  );

/** Stores a day's text as it is typed, or notes that it was read (`read` in place of a text). 409 with the text that stands now where someone was quicker. */
export async function action({ request, params }: Route.ActionArgs) {
  if (Number(request.headers.get('content-length') ?? 0) > BODY_BYTES.text) return tooLarge();
  const read = await coachJson(request, BODY_BYTES.text);
  if (read.status === 'refused') return refused(`The text can’t be kept as it is. ${read.message}`);
  const { text, revision: said, read: isRead } = (read.value ?? {}) as Record<string, unknown>;
  const revision = parseRevision(said);
  if (isRead === true && revision !== undefined)
    return withDay(request, params, async (db, { day }) => {
      if (!day) return notFound();
      await updateDayRead(db, { dayId: day.id, revision });
      return data({ revision });
    });
  if (typeof text !== 'string' || revision === undefined)
    return refused('The text did not arrive whole; load the page again.');
  if (Buffer.byteLength(text) > MAX_TEXT_BYTES) return tooLarge();
  return withDay(request, params, async (db, { day, programme }) => {
    if (!day) return notFound();
    try {
      const now = new Date(nowMs());
      return data({ revision: await updateDayText(db, { dayId: day.id, revision, text, isRead: true, now }) });
    } catch (error) {
      if (!(error instanceof StaleError)) throw error;
      const now = await getDayById(db, day.id, programme.runId);
      return data({ stale: { text: now.text, revision: now.revision } }, { status: 409 });
    }
  });
}
