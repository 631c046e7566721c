import { countLetters } from '../core/letters.ts';
import type { CareState } from '../core/care.ts';
import { judgeScreening, SCREENING_QUESTIONS } from '../core/care.ts';
import { isSpare } from '../core/movement/spare.ts';
import type { ProfileChange } from '../db/queries/person.ts';
import { formText } from './form-text.ts';

export type MeForm =
  | { readonly status: 'success'; readonly change: ProfileChange }
  | { readonly status: 'error'; readonly errors: Record<string, string> };

const MAX_SHARED_LENGTH = 500;

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
      const care: CareState | undefined = judgeScreening(answers, formText(form, 'seen') === 'yes');
      const careShared = formText(form, 'shared').trim();
      const errors: Record<string, string> = {};
      if (!care) errors.care = 'Please answer each question; nothing was changed.';
      if (countLetters(careShared) > MAX_SHARED_LENGTH) errors.shared = `At most ${MAX_SHARED_LENGTH} letters.`;
      return care && !errors.shared ? { status: 'success', change: { care, careShared } } : { status: 'error', errors };
    }
    case 'forget':
      return { status: 'success', change: { care: 'not-asked', careShared: '', spares: [] } };
    default:
      return { status: 'error', errors: { part: 'That is no part of this page; load it again.' } };
  }
}
