import { data } from 'react-router';
import { MAX_TEXT_BYTES } from '../../../core/notation/parse.ts';
import { StaleError } from '../../../db/errors.ts';
import { getDayById, updateDayText } from '../../../db/queries/programme.ts';
import { notFound, withDay } from '../../../server/coach-scope.ts';
import { nowMs } from '../../../server/config.ts';
import type { Route } from './+types/draft';

/** More than a text of the largest size can take up as JSON. */
const MAX_BODY_BYTES = MAX_TEXT_BYTES * 3;
const tooLarge = () =>
  data(
    {
      message: `A session has at most ${MAX_TEXT_BYTES / 1000} kB of text and 400 items; this is more. It is still here, not saved: split it over several days.`,
    },
    { status: 413 },
  );

/** Stores a day's text as it is typed. 409 with the text that stands now where someone was quicker. */
export async function action({ request, params }: Route.ActionArgs) {
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BODY_BYTES) return tooLarge();
  let body: { text?: unknown; revision?: unknown };
  try {
    body = (await request.json()) as typeof body;
  } catch {
    return data({ message: 'The text did not arrive whole; it is tried again.' }, { status: 400 });
  }
  const { text, revision } = body ?? {};
  if (typeof text !== 'string' || typeof revision !== 'number' || !Number.isInteger(revision)) {
    return data({ message: 'The text did not arrive whole; load the page again.' }, { status: 400 });
  }
  if (Buffer.byteLength(text) > MAX_TEXT_BYTES) return tooLarge();
  return withDay(request, params, async (db, { day }) => {
    if (!day) return notFound();
    try {
      return data({
        revision: await updateDayText(db, {
          dayId: day.id,
          revision,
          text: text.replaceAll('\0', ''),
          now: new Date(nowMs()),
        }),
      });
    } catch (error) {
      if (!(error instanceof StaleError)) throw error;
      const now = await getDayById(db, day.id);
      return data({ stale: { text: now.text, revision: now.revision } }, { status: 409 });
    }
  });
}
