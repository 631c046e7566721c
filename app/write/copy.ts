import { data } from 'react-router';
import { dayName, weekdayOf, parseDayKey } from '../../core/calendar/day.ts';
import { MAX_TEXT_BYTES } from '../../core/notation/parse.ts';
import { getProgramme, insertDay, lockDay, updateDayText } from '../../db/queries/programme.ts';
import { coachForm, notFound, withProgramme } from '../../server/doors/coach-scope.ts';
import { BODY_BYTES } from '../../server/http/limits/limits.ts';
import { nowMs } from '../../server/config.ts';
import { formId, formLines, formText } from '../../server/http/form-text.ts';
import type { Route } from './+types/copy';

/**
 * Copies a text to a day of this or another programme. A day that has a text is replaced only where that was said
 * (409 otherwise). The answer tells what stood there, so that it can be undone.
 */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.text);
  const text = formLines(form, 'text');
  const place = parseDayKey(formText(form, 'toDay'));
  if (!place || Buffer.byteLength(text) > MAX_TEXT_BYTES)
    return data({ status: 'refused' as const, error: 'Choose a day to copy to.' }, { status: 400 });
  return withProgramme(request, params.programmeId, async (db, { coach, programme }) => {
    const target = await getProgramme(db, formId(form, 'toProgramme'), { now: new Date(nowMs()) });
    if (place.week > target.weeks) return notFound();
    const first = weekdayOf(target.startsOn);
    const now = new Date(nowMs());
    await insertDay(db, { workspaceId: coach.workspaceId, programmeId: target.id, ...place, now });
    // Several copies at once come one after the other from here on.
    const day = await lockDay(db, target, place);
    if (day.text.trim() !== '' && formText(form, 'replace') !== 'yes')
      return data(
        { status: 'taken' as const, error: `There is a session on ${dayName(place, first)} already.` },
        { status: 409 },
      );
    const revision = await updateDayText(db, { dayId: day.id, revision: day.revision, text, now });
    return data({
      status: 'copied' as const,
      error: '',
      words: `${dayName(place, first)}${target.id === programme.id ? '' : ` of ${target.title}`}`,
      path: `/programmes/${target.id}/write/${formText(form, 'toDay')}`,
      before: day.text,
      revision,
    });
  });
}
