import { countLetters, cutLetters } from '../../core/letters.ts';
import { findLadderCycle, checkMovement, MOVEMENT_LIMITS, withFields } from '../../core/movement/layer.ts';
import type { MovementIssue, MovementOverride } from '../../core/movement/layer.ts';
import type { Scale } from '../../core/movement/scale.ts';
import { SCALE_LIMITS, scaleFault, scaleStep } from '../../core/movement/scale.ts';
import type { Ladder } from '../../core/movement/ladder.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { Grade, Joint, Movement } from '../../core/movement/movement.ts';
import { JOINTS, movementId } from '../../core/movement/movement.ts';
import { readOwnDrawing } from '../../core/figure/own-drawing.ts';
import { drawingWords } from '../../words/en/figures/drawing-words.ts';
import { formLines, formText } from '../http/form-text.ts';

const words = (text: string) =>
  text
    .split(',')
    .map((w) => w.trim())
    .filter((w) => w !== '');
const line = (form: FormData, name: string) => formText(form, name).trim().replace(/\s+/g, ' ');

export type MovementForm =
  | { readonly status: 'success'; readonly override: MovementOverride }
  | { readonly status: 'error'; readonly errors: Record<string, string> };

/** Reads a movement as a coach wants it, a known one by its id, else a new one: of one that ships only what differs from `base` is kept. */
export function readMovementForm(form: FormData, base: MovementLibrary, library: MovementLibrary): MovementForm {
  const name = line(form, 'name');
  const known = library.find(formText(form, 'id'));
  const id = known?.id ?? movementId(name);
  // What was read from a name stands on no shelf: corrected, it is the workspace's own, with all of its fields.
  const shipped = base.findOnShelf(id);
  const errors: Record<string, string> = {};
  if (!known && library.findOnShelf(id)) errors.name = `“${name}” is a movement already.`;
  const pace = (key: string) => Number(formText(form, key).replace(',', '.'));
  const flag = (key: string) => formText(form, key) === 'yes';
  const fields: Omit<Movement, 'id' | 'parts'> = {
    name,
    otherNames: words(formText(form, 'otherNames')),
    pattern: formText(form, 'pattern') as Movement['pattern'],
    position: formText(form, 'position') as Movement['position'],
    isHold: flag('isHold'),
    isOneSided: flag('isOneSided'),
    isOverhead: flag('isOverhead'),
    isOnFloor: flag('isOnFloor'),
    preparesWrists: flag('preparesWrists'),
    demand: Object.fromEntries(JOINTS.map((j) => [j, Number(formText(form, `demand-${j}`)) as Grade])) as Record<
      Joint,
      Grade
    >,
    impact: Number(formText(form, 'impact')) as Grade,
    noise: Number(formText(form, 'noise')) as Grade,
    kit: words(formText(form, 'kit').toLowerCase()),
    effortClass: Number(formText(form, 'effortClass')) as Movement['effortClass'],
    paceSec: { low: pace('low'), likely: pace('likely'), high: pace('high') },
    paceSource: 'the coach’s own',
    setUp: line(form, 'setUp'),
    doing: line(form, 'doing'),
    watchFor: line(form, 'watchFor'),
    breathing: line(form, 'breathing'),
    cautions: formLines(form, 'cautions')
      .split('\n')
      .map((c) => c.trim())
      .filter((c) => c !== ''),
    film: line(form, 'film'),
    drawing: line(form, 'drawing'),
  };
  // One that is too long says so by its limit.
  const isRead = fields.drawing !== '' && fields.drawing.length <= MOVEMENT_LIMITS.drawing;
  const drawn = isRead ? drawingWords(readOwnDrawing(fields.drawing)) : '';
  if (drawn !== '') errors.drawing = drawn;
  const differs = Object.fromEntries(
    Object.entries(fields).filter(
      ([key, value]) => !shipped || JSON.stringify(value) !== JSON.stringify(shipped[key as keyof Movement]),
    ),
  );
  if (shipped && Object.keys(differs).join() === 'paceSource') delete differs.paceSource;
  const parts = known && !shipped ? known.parts.filter((p) => library.findOnShelf(p)) : [];
  const override: MovementOverride = { movementId: id, fields: { ...differs, ...(parts.length > 0 && { parts }) } };
  for (const { field, message } of checkMovement(
    withFields(shipped, override),
    library.movements,
  ) satisfies MovementIssue[])
    errors[field] ??= message;
  return Object.keys(errors).length > 0 ? { status: 'error', errors } : { status: 'success', override };
}

/** Reads a scale: a step a line, the easiest first. `own` are the workspace's other scales. */
export function readScaleForm(
  form: FormData,
  { scales }: Pick<MovementLibrary, 'scales'>,
  own: readonly Scale[],
): { status: 'success'; scale: Scale } | { status: 'error'; error: string } {
  const name = line(form, 'name');
  const known = formText(form, 'id');
  if (known !== '' && !scales.some((s) => s.id === known))
    return { status: 'error', error: 'That scale is gone; load the page again.' };
  const id = known || movementId(name);
  const steps = formLines(form, 'steps')
    .split('\n')
    .map(scaleStep)
    .filter((l) => l !== '');
  const fault = scaleFault(
    { name, steps },
    own.filter((s) => s.id !== id),
  );
  if (fault) return { status: 'error', error: fault };
  if (known === '' && scales.some((s) => s.id === id))
    return { status: 'error', error: `There is a scale “${name}” already.` };
  if (id === '' || id.length > SCALE_LIMITS.id) return { status: 'error', error: 'Give the scale a name of letters.' };
  return { status: 'success', scale: { id, name, steps } };
}

const MAX_CHANGE = 60;
const MAX_STEPS = 40;

/** Reads a ladder: a step a line, easiest first, with what changes after a colon. */
export function readLadderForm(
  form: FormData,
  library: MovementLibrary,
): { status: 'success'; ladder: Ladder } | { status: 'error'; error: string } {
  const name = line(form, 'name');
  if (name === '') return { status: 'error', error: 'Give the ladder a name.' };
  if (countLetters(name) > MOVEMENT_LIMITS.name || movementId(name).length > MOVEMENT_LIMITS.id)
    return { status: 'error', error: `A ladder’s name has at most ${MOVEMENT_LIMITS.name} letters.` };
  const known = formText(form, 'id');
  if (known !== '' && !library.ladders.some((l) => l.id === known))
    return { status: 'error', error: 'That ladder is gone; load the page again.' };
  const id = known || movementId(name);
  const steps: { movementId: string; change: string }[] = [];
  for (const [i, text] of formLines(form, 'steps')
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '')
    .entries()) {
    const colon = text.indexOf(':');
    const movement = library.findByName((colon < 0 ? text : text.slice(0, colon)).trim());
    if (!movement)
      return { status: 'error', error: `Step ${i + 1}, “${cutLetters(text, 60)}”, is no movement of the library.` };
    if (steps.some((s) => s.movementId === movement.id))
      return {
        status: 'error',
        error: `Step ${i + 1}: “${movement.name}” stands on this ladder twice, so it would be easier than itself.`,
      };
    const change = colon < 0 ? '' : text.slice(colon + 1).trim();
    if (countLetters(change) > MAX_CHANGE)
      return { status: 'error', error: `Step ${i + 1}: what changes has at most ${MAX_CHANGE} letters.` };
    steps.push({ movementId: movement.id, change });
    if (steps.length > MAX_STEPS) return { status: 'error', error: `A ladder has at most ${MAX_STEPS} steps.` };
  }
  if (steps.length < 2) return { status: 'error', error: 'A ladder has two steps or more, one a line.' };
  if (known === '' && library.ladders.some((l) => l.id === id))
    return { status: 'error', error: `There is a ladder “${name}” already.` };
  const ladder: Ladder = { id, name, steps };
  const cycle = findLadderCycle([...library.ladders.filter((l) => l.id !== id), ladder]);
  if (cycle)
    return {
      status: 'error',
      error: `Another ladder has it the other way round: ${library.find(cycle[0])?.name} and ${library.find(cycle[1])?.name} would each be easier than the other.`,
    };
  return { status: 'success', ladder };
}
