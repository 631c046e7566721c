import { countLetters } from '../../core/letters.ts';
import type { CareState } from '../../core/care.ts';
import { judgeScreening, SCREENING_QUESTIONS } from '../../core/care.ts';
import { isSpare } from '../../core/movement/spare.ts';
import { isTimeZone } from '../../core/calendar/release.ts';
import { readContact } from './contact-form.ts';
import type { ProfileChange } from '../../db/queries/person.ts';
import { formLines, formText } from '../http/form-text.ts';

export type MeForm =
  | { readonly status: 'success'; readonly change: ProfileChange }
  | { readonly status: 'error'; readonly errors: Record<string, string> };

const MAX_SHARED_LENGTH = 500;

const TIME = /^([01]\d|2[0-3]):[0-5]\d$/;

/** By what, where and when messages come. An address that is new is asked first. */
function readMessages(form: FormData): MeForm {
  const text = (name: string) => formText(form, name).trim();
  const { channel, address, errors: contactErrors } = readContact(text);
  const errors: Record<string, string> = { ...contactErrors };
  const timeZone = text('timeZone');
  if (!isTimeZone(timeZone)) errors.timeZone = 'That is no time zone known here; one is like Europe/Lisbon.';
  const [from, to] = [text('quietFrom'), text('quietTo')];
  if ((from === '') !== (to === '') || (from !== '' && !(TIME.test(from) && TIME.test(to))))
    errors.quiet = 'Quiet hours have a beginning and an end, like 22:00 and 07:00.';
  const reminderAt = text('reminderAt');
  if (reminderAt !== '' && !TIME.test(reminderAt)) errors.reminderAt = 'An hour is written like 19:30.';
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
export function readMeForm(form: FormData, pieces: readonly string[]): MeForm {
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
      const errors: Record<string, string> = {};
      if (!care) errors.care = 'Please answer each question; nothing was changed.';
      if (countLetters(careShared) > MAX_SHARED_LENGTH) errors.shared = `At most ${MAX_SHARED_LENGTH} letters.`;
      return care && !errors.shared ? { status: 'success', change: { care, careShared } } : { status: 'error', errors };
    }
    case 'messages':
      return readMessages(form);
    case 'forget':
      return { status: 'success', change: { care: 'not-asked', careShared: '', spares: [] } };
    default:
      return { status: 'error', errors: { part: 'That is no part of this page; load it again.' } };
  }
}
