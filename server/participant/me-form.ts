import { object, string } from 'yup';
import { hour, isHour, words, yupErrors, zone } from '../http/form-schema.ts';
import type { CareState } from '../../core/screening.ts';
import { ALARMS_MIN } from '../../core/calendar/own-calendar.ts';
import { judgeScreening, SCREENING_QUESTIONS } from '../../core/screening.ts';
import { isSpare } from '../../core/movement/spare.ts';
import { readContact } from './contact-form.ts';
import type { ProfileChange } from '../../db/queries/person.ts';
import { formLines, formText } from '../http/form-text.ts';

export type MeForm =
  | { readonly status: 'success'; readonly change: ProfileChange }
  | { readonly status: 'error'; readonly errors: Record<string, string> };

const MAX_SHARED_LENGTH = 500;

const messagesSchema = object({
  timeZone: zone,
  quiet: string().test(
    'hours',
    'Quiet hours have a beginning and an end, like 22:00 and 07:00.',
    (v) => v === undefined || v === '' || (v.length === 11 && v.split(' ').every(isHour)),
  ),
  reminderAt: hour('An hour is written like 19:30.'),
});
const calendarSchema = object({ calendarAt: hour('An hour is written like 07:00.') });

/** At which hour sessions stand in one's own calendar, and whether that rings. */
async function readOwnHour(form: FormData): Promise<MeForm> {
  const at = formText(form, 'calendarAt').trim();
  const errors = await yupErrors(calendarSchema, { calendarAt: at });
  if (Object.keys(errors).length > 0) return { status: 'error', errors };
  const alarm = ALARMS_MIN.find((min) => String(min) === formText(form, 'alarm'));
  return { status: 'success', change: { calendar: { at: at === '' ? null : at, alarmMin: alarm ?? null } } };
}

const careSchema = object({ shared: words(MAX_SHARED_LENGTH) });

/** By what, where and when messages come. An address that is new is asked first. */
async function readMessages(form: FormData): Promise<MeForm> {
  const text = (name: string) => formText(form, name).trim();
  const { channel, address, errors: contactErrors } = readContact(text);
  const [timeZone, from, to, reminderAt] = [text('timeZone'), text('quietFrom'), text('quietTo'), text('reminderAt')];
  const quiet = `${from} ${to}`.trim();
  const errors = { ...(await yupErrors(messagesSchema, { timeZone, quiet, reminderAt })), ...contactErrors };
  if (Object.keys(errors).length > 0) return { status: 'error', errors };
  return {
    status: 'success',
    change: {
      channel,
      ...(channel !== 'none' && { address }),
      timeZone,
      quiet: from === '' ? null : { from, to },
      wantsRestDays: text('restDays') === 'yes',
      reminderAt: reminderAt === '' ? null : reminderAt,
    },
  };
}

/** Reads what a person says of themselves: one part of the page at a time. Health answers fail closed: an incomplete set changes nothing. */
export async function readMeForm(form: FormData, pieces: readonly string[]): Promise<MeForm> {
  switch (formText(form, 'part')) {
    case 'kit': {
      if (formText(form, 'kit-said') !== 'only') return { status: 'success', change: { kit: null } };
      return {
        status: 'success',
        change: { kit: form.getAll('kit').filter((k): k is string => typeof k === 'string' && pieces.includes(k)) },
      };
    }
    case 'spares':
      return {
        status: 'success',
        change: {
          spares: form
            .getAll('spare')
            .filter((s): s is string => typeof s === 'string')
            .filter(isSpare),
        },
      };
    case 'care': {
      const answers = SCREENING_QUESTIONS.map((_, i) => {
        const answer = formText(form, `care-${i}`);
        return answer === 'yes' || answer === 'no' ? answer : undefined;
      });
      const care: CareState | undefined = judgeScreening(answers, formLines(form, 'seen') === 'yes');
      const careShared = formLines(form, 'shared').trim();
      const errors = {
        ...(await yupErrors(careSchema, { shared: careShared })),
        ...(!care && { care: 'Please answer each question; nothing was changed.' }),
      };
      return care && Object.keys(errors).length === 0
        ? { status: 'success', change: { care, careShared } }
        : { status: 'error', errors };
    }
    case 'messages':
      return readMessages(form);
    case 'calendar-hour':
      return readOwnHour(form);
    case 'forget':
      return { status: 'success', change: { care: 'not-asked', careShared: '', spares: [] } };
    default:
      return { status: 'error', errors: { part: 'That is no part of this page; load it again.' } };
  }
}
