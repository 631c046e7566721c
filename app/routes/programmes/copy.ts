import { data } from 'react-router';
import { dayName, parseDayKey } from '../../../core/calendar/day.ts';
import { MAX_TEXT_BYTES } from '../../../core/notation/parse.ts';
import { findDay, getDayById, getProgramme, insertDay, updateDayText } from '../../../db/queries/programme.ts';
import { notFound, withProgramme } from '../../../server/coach-scope.ts';
import { nowMs } from '../../../server/config.ts';
import { formText } from '../../../server/form-text.ts';
import type { Route } from './+types/copy';

/**
 * Copies a text to a day of this or another programme. A day that has a text is replaced only where that was said
 * (409 otherwise). The answer tells what stood there, so that it can be undone.
 */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await request.formData();
  const text = formText(form, 'text');
  const place = parseDayKey(formText(form, 'toDay'));
  if (!place || Buffer.byteLength(text) > MAX_TEXT_BYTES)
    return data({ status: 'refused' as const, error: 'Choose a day to copy to.' }, { status: 400 });
  return withProgramme(request, params.programmeId, async (db, { coach }) => {
    const target = await getProgramme(db, Number(form.get('toProgramme')) || 0);
    if (place.week > target.weeks) return notFound();
    const before = await findDay(db, target.id, place.week, place.weekday);
    const isTaken = before !== undefined && before.text.trim() !== '';
    if (isTaken && formText(form, 'replace') !== 'yes')
      return data(
        { status: 'taken' as const, error: `There is a session on ${dayName(place)} already.` },
        { status: 409 },
      );
    if (!before)
      await insertDay(db, { workspaceId: coach.workspaceId, programmeId: target.id, ...place, now: new Date(nowMs()) });
    const day = before ?? (await findDay(db, target.id, place.week, place.weekday))!;
    await updateDayText(db, { dayId: day.id, revision: day.revision, text, now: new Date(nowMs()) });
    const { revision } = await getDayById(db, day.id);
    return data({
      status: 'copied' as const,
      error: '',
      words: `${dayName(place)}${target.id === Number(params.programmeId) ? '' : ` of ${target.title}`}`,
      path: `/programmes/${target.id}/write/${formText(form, 'toDay')}`,
      before: before?.text ?? '',
      revision,
    });
  });
}
