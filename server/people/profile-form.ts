import { yupErrors } from '../http/form-schema.ts';
import { hasAtMost } from '../../core/letters.ts';
import { object, string } from 'yup';
import { isTimeZone } from '../../core/calendar/release.ts';
import { MAX_SWAPS, readSwaps } from '../../core/movement/read-swaps.ts';
import type { Level } from '../../core/movement/fit-movement.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { Pattern } from '../../core/movement/movement.ts';
import { PATTERNS } from '../../core/movement/movement.ts';
import { isSpare } from '../../core/movement/spare.ts';
import type { ProfileChange } from '../../db/queries/person.ts';
import { formLines, formText } from '../http/form-text.ts';

const schema = object({
  name: string().trim().required('Write a name.').test('letters', 'A name has at most 80 letters.', hasAtMost(80)),
  detail: string().trim().test('letters', 'At most 80 letters.', hasAtMost(80)),
  timeZone: string()
    .required('Choose a time zone.')
    .test('zone', 'That is no time zone known here.', (v) => isTimeZone(v)),
  address: string().trim().test('letters', 'At most 120 letters.', hasAtMost(120)),
});

/** Reads what a coach writes about a person. */
export async function readProfileForm(
  form: FormData,
  library: MovementLibrary,
): Promise<{ status: 'success'; change: ProfileChange } | { status: 'error'; errors: Record<string, string> }> {
  const values = {
    name: formText(form, 'name'),
    detail: formText(form, 'detail'),
    timeZone: formText(form, 'timeZone'),
    address: formText(form, 'address'),
  };
  const errors = await yupErrors(schema, values);
  const kitText = formText(form, 'kit').trim();
  const levels: Partial<Record<Pattern, Level>> = {};
  for (const pattern of PATTERNS) {
    const level = formText(form, `level-${pattern}`);
    if (/^[1-5]$/.test(level)) levels[pattern] = Number(level) as Level;
  }
  const lines = formLines(form, 'swaps')
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '');
  const { swaps, errors: wrong } = readSwaps(lines.slice(0, MAX_SWAPS), library);
  if (wrong.length > 0) errors.swaps = wrong[0]!;
  if (Object.keys(errors).length > 0) return { status: 'error', errors };
  return {
    status: 'success',
    change: {
      name: values.name.trim(),
      detail: values.detail.trim(),
      timeZone: values.timeZone,
      address: values.address.trim(),
      kit:
        kitText === ''
          ? null
          : kitText.toLowerCase() === 'none'
            ? []
            : kitText
                .toLowerCase()
                .split(/[,;]/)
                .map((k) => k.trim())
                .filter((k) => k !== '')
                .slice(0, 20),
      spares: form
        .getAll('spare')
        .filter((s): s is string => typeof s === 'string')
        .filter(isSpare),
      levels,
      swaps,
    },
  };
}
