import { data } from 'react-router';
import { dayKey, dayName, weekdayOf } from '../../core/calendar/day.ts';
import { MAX_TEXT_BYTES } from '../../core/notation/parse.ts';
import { StaleError } from '../../db/errors.ts';
import { getProgramme } from '../../db/queries/programme.ts';
import { coachForm, notFound, withProgramme } from '../../server/doors/coach-scope.ts';
import { BODY_BYTES } from '../../server/http/limits/limits.ts';
import { nowMs } from '../../server/config.ts';
import { formId, formLines, formText } from '../../server/http/form-text.ts';
import { copyText, MAX_COPIES, readCopied, readCopyDays, takeBackCopies } from '../../server/write/copy-text.ts';
import { parseJson } from '../../core/exchange/parse-json.ts';
import type { Db } from '../../db/pool.ts';
import type { Programme } from '../../db/queries/programme.ts';
import type { CopyTarget } from '../../server/write/copy-text.ts';
import type { Route } from './+types/copy';

const refused = (error: string, status = 400) => data({ status: 'refused' as const, error }, { status });

/**
 * Copies a text to days of this or another programme, or takes such copies back. A day that has a text is replaced only where that was
 * said (409 otherwise, and nothing is copied). The answer tells what stood on each day, so that it can be undone.
 */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.programme);
  return withProgramme(request, params.programmeId, async (db, { coach, programme }) => {
    const target = await getProgramme(db, formId(form, 'toProgramme'), { now: new Date(nowMs()) });
    const scope = { id: target.id, runId: target.runId, workspaceId: coach.workspaceId };
    if (formText(form, 'intent') === 'take-back') return takeBack(db, scope, formLines(form, 'copied'));
    return copyTo(db, scope, form, { target, isOther: target.id !== programme.id });
  });
}

async function takeBack(db: Db, scope: CopyTarget, source: string) {
  const read = parseJson(source);
  const copied = read.status === 'read' ? readCopied(read.value) : undefined;
  if (!copied) return refused('That is no copy of this page; load it again.');
  try {
    await takeBackCopies(db, scope, copied, new Date(nowMs()));
  } catch (error) {
    if (!(error instanceof StaleError)) throw error;
    return refused('One of these days was changed since, so all of them stay as they are.', 409);
  }
  return data({ status: 'taken-back' as const, error: '' });
}

async function copyTo(
  db: Db,
  scope: CopyTarget,
  form: FormData,
  { target, isOther }: { readonly target: Programme; readonly isOther: boolean },
) {
  const text = formLines(form, 'text');
  const places = readCopyDays(formText(form, 'toDay'));
  if (!places || Buffer.byteLength(text) > MAX_TEXT_BYTES)
    return refused(`Choose a day to copy to, or up to ${MAX_COPIES} of them.`);
  if (places.some((p) => p.week > target.weeks)) return notFound();
  const first = weekdayOf(target.startsOn);
  const replaces = formText(form, 'replace') === 'yes';
  const copied = await copyText(db, scope, places, { text, replaces, now: new Date(nowMs()) });
  if ('taken' in copied)
    return data(
      { status: 'taken' as const, error: `There is a session on ${dayName(copied.taken, first)} already.` },
      { status: 409 },
    );
  return data({
    status: 'copied' as const,
    error: '',
    toProgramme: target.id,
    toTitle: isOther ? target.title : '',
    days: places.map((p) => ({ key: dayKey(p), words: dayName(p, first) })),
    copied,
  });
}
