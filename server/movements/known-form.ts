import { array, boolean, number, object, string, ValidationError } from 'yup';
import { parseJson } from '../../core/exchange/parse-json.ts';
import { hasAtMost } from '../../core/letters.ts';
import type { MovementLayer, MovementOverride } from '../../core/movement/layer.ts';
import { checkMovement, layerLibrary, MOVEMENT_LIMITS, withFields } from '../../core/movement/layer.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import { PATTERNS } from '../../core/movement/movement.ts';
import type { QuickMovement } from '../../core/movement/quick-movement.ts';
import { fromQuick, QUICK_ASKS, suggestMovement } from '../../core/movement/quick-movement.ts';
import { formText } from '../http/form-text.ts';

/** New movements that are taken in one pass. */
export const MOST_KNOWN_AT_ONCE = 40;

const { name, kit, kitName } = MOVEMENT_LIMITS;
const KNOWN = object({
  /** As it is written in the session. */
  written: string().required().test('letters', `A name has at most ${name} letters.`, hasAtMost(name)),
  name: string()
    .required('A movement needs a name.')
    .test('letters', `A name has at most ${name} letters.`, hasAtMost(name)),
  isHold: boolean().required(),
  isOneSided: boolean().required(),
  pattern: string().oneOf(PATTERNS).required(),
  kit: array(string().required().max(kitName)).required().max(kit, `At most ${kit} pieces of kit.`),
  likelySec: number()
    .typeError('Write the seconds as a number.')
    .required('Write the seconds as a number.')
    .moreThan(0, 'Each pace is more than 0 and at most 600 seconds.')
    .max(600, 'Each pace is more than 0 and at most 600 seconds.'),
  effortClass: number().oneOf([1, 2, 3, 4, 5]).required(),
  asks: array(string().oneOf(QUICK_ASKS).required()).required(),
});

export type KnownForm =
  | { readonly status: 'success'; readonly overrides: readonly MovementOverride[] }
  /** By the place in the list, from 0; `-1` for the list itself. */
  | { readonly status: 'error'; readonly errors: Readonly<Record<number, string>> };

/** Reads movements that a coach makes known, several in one pass: each filled up with what its name suggests. All or none. */
export function readKnownForm(form: FormData, library: MovementLibrary, layer: MovementLayer): KnownForm {
  const parsed = parseJson(formText(form, 'movements'));
  const read: unknown = parsed.status === 'read' ? parsed.value : undefined;
  if (!Array.isArray(read))
    return { status: 'error', errors: { [-1]: 'This isn’t what the page sends; load it again.' } };
  if (read.length === 0 || read.length > MOST_KNOWN_AT_ONCE)
    return { status: 'error', errors: { [-1]: `Between one movement and ${MOST_KNOWN_AT_ONCE} are taken at a time.` } };
  const errors: Record<number, string> = {};
  const overrides: MovementOverride[] = [];
  for (const [i, raw] of (read as unknown[]).entries()) {
    try {
      const { written, ...quick } = KNOWN.validateSync(ownFields(raw));
      const suggested = suggestMovement(written, library);
      const override = withWritten(fromQuick(quick as QuickMovement, suggested), written);
      // Those before it in the list are there already.
      const others = layerLibrary(library, { overrides, ladders: [], scales: [] }).library.movements;
      const [issue] = checkMovement(withFields(undefined, override), others);
      const isTwice = overrides.some((o) => o.movementId === override.movementId);
      if (issue) errors[i] = issue.message;
      else if (isTwice) errors[i] = `“${override.fields.name}” stands in the list already.`;
      else if (
        library.findOnShelf(override.movementId) &&
        !layer.overrides.some((o) => o.movementId === override.movementId)
      )
        errors[i] = `“${override.fields.name}” is a movement already.`;
      else overrides.push(override);
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      errors[i] = error.message;
    }
  }
  return Object.keys(errors).length > 0 ? { status: 'error', errors } : { status: 'success', overrides };
}

/** The fields that are asked for, and nothing else that an object may bring. */
const ownFields = (raw: unknown): Record<string, unknown> => {
  const given = (typeof raw === 'object' && raw !== null ? raw : {}) as Record<string, unknown>;
  return Object.fromEntries(
    Object.keys(KNOWN.fields).map((key) => [key, Object.hasOwn(given, key) ? given[key] : undefined]),
  );
};

/** The name that stands in the session leads to it too. */
function withWritten(override: MovementOverride, written: string): MovementOverride {
  const own = (override.fields.name ?? '').toLowerCase();
  if (own === written.toLowerCase()) return override;
  return { ...override, fields: { ...override.fields, otherNames: [written.toLowerCase()] } };
}
