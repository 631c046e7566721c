import { day, isHour, whole, words, yupErrors } from '../http/form-schema.ts';
import { boolean, object, string } from 'yup';
import type { DayDate } from '../../core/calendar/day.ts';
import { isTimeZone } from '../../core/calendar/release.ts';
import type { Run, RunSettings } from '../../db/queries/run.ts';
import { formText } from '../http/form-text.ts';

const schema = object({
  title: words(80, 'A name has at most 80 letters.'),
  startsOn: day('Say when it begins, on a day of the calendar.'),
  calendar: string().oneOf(['host', 'own'], 'Choose whose calendar it goes by.'),
  releaseTime: string().test('hour', 'An hour is written like 05:00.', (v) => isHour(v ?? '')),
  releaseZone: string().test('zone', 'That is no time zone known here.', (v) => v === '' || isTimeZone(v ?? '')),
  isByHand: boolean(),
  lookAheadDays: whole(0, 14, 'Between 0 and 14 days.').required('Between 0 and 14 days.'),
  makeUp: string().test(
    'days',
    'Between 0 and 60 days, or nothing for “at any time”.',
    (v) => v === '' || (/^\d{1,2}$/.test(v ?? '') && Number(v) <= 60),
  ),
  joinsLate: string().oneOf(['with-rest', 'from-day-1'], 'Choose how the late begin.'),
});

export type RunForm =
  | { readonly status: 'success'; readonly settings: RunSettings }
  | { readonly status: 'error'; readonly errors: Record<string, string> };

/** Reads the settings of a run; what the form doesn't name is as in `before`. A start in the past is refused for a new run. */
export async function readRunForm(
  form: FormData,
  before: Run,
  { today, isNew }: { today: DayDate; isNew: boolean },
): Promise<RunForm> {
  const { rules } = before;
  const text = (name: string, usual: string) => (form.has(name) ? formText(form, name).trim() : usual);
  const values = {
    title: text('title', before.title),
    startsOn: text('startsOn', rules.startsOn),
    calendar: text('calendar', rules.calendar),
    releaseTime: text('releaseTime', rules.releaseTime),
    releaseZone: formText(form, 'release') === 'local' ? '' : text('releaseZone', rules.releaseZone ?? ''),
    isByHand: form.has('by') ? formText(form, 'by') === 'hand' : before.isByHand,
    lookAheadDays: text('lookAheadDays', String(rules.lookAheadDays)),
    makeUp: text('makeUpDays', rules.makeUpDays === null ? '' : String(rules.makeUpDays)),
    joinsLate: text('joinsLate', before.joinsLate),
  };
  const errors = await yupErrors(schema, values);
  if (!errors.startsOn && isNew && values.startsOn < today)
    errors.startsOn = 'That day has passed. A run begins today or later.';
  if (formText(form, 'release') === 'instant' && values.releaseZone === '')
    errors.releaseZone = 'Say by which zone’s clock.';
  if (Object.keys(errors).length > 0) return { status: 'error', errors };
  return {
    status: 'success',
    settings: {
      title: values.title,
      startsOn: values.startsOn as DayDate,
      calendar: values.calendar as 'host' | 'own',
      releaseTime: values.releaseTime,
      releaseZone: values.releaseZone === '' ? null : values.releaseZone,
      isByHand: values.isByHand,
      lookAheadDays: Number(values.lookAheadDays),
      makeUpDays: values.makeUp === '' ? null : Number(values.makeUp),
      joinsLate: values.joinsLate as RunSettings['joinsLate'],
    },
  };
}
