import { countLetters } from '../letters.ts';

/** Steps of resistance in the coach's words, the easiest first: bands, bells that are there, a distance, a height. */
export interface Scale {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly string[];
}

export const SCALE_LIMITS = { name: 60, steps: 20, step: 40, id: 80 } as const;

/** What everybody means without saying so. Colours of bands differ from maker to maker, so that a coach gives their order. */
export const SHIPPED_SCALES: readonly Scale[] = [
  { id: 'weights-at-hand', name: 'Weights at hand', steps: ['light', 'medium', 'heavy', 'very heavy'] },
  { id: 'pairs-of-weights', name: 'Two pairs of weights', steps: ['the light pair', 'the heavy pair'] },
  { id: 'bands', name: 'Bands', steps: ['light band', 'medium band', 'heavy band'] },
  { id: 'bands-together', name: 'Bands together', steps: ['one band', 'two bands', 'three bands'] },
  { id: 'feet', name: 'Height of the feet', steps: ['feet on the floor', 'feet on the step', 'feet on the chair'] },
  {
    id: 'hands',
    name: 'Height of the hands',
    steps: ['hands on the wall', 'hands on the table', 'hands on the chair', 'hands on the step', 'hands on the floor'],
  },
  { id: 'distance', name: 'Distance', steps: ['close in', 'a step out', 'two steps out', 'three steps out'] },
];

/** A step as it is written in a session: in small letters, with single blanks. */
export const scaleStep = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/** Where a step stands on a scale. */
export interface ScalePlace {
  readonly scale: Scale;
  readonly at: number;
}

/** The scale that has a step; undefined where none does. The coach's own come before those that ship. */
export function findStep(scales: readonly Scale[], step: string): ScalePlace | undefined {
  const wanted = scaleStep(step);
  for (const scale of scales) {
    const at = scale.steps.indexOf(wanted);
    if (at >= 0) return { scale, at };
  }
  return undefined;
}

/** The step so many on, at most the scale's ends; the step itself where no scale has it. */
export function stepAlong(scales: readonly Scale[], step: string, by: number): string {
  const place = findStep(scales, step);
  return place ? place.scale.steps[Math.min(place.scale.steps.length - 1, Math.max(0, place.at + by))]! : step;
}

/** Why a scale can't stand, for its writer; undefined where it can. `others` are the coach's other scales. */
export function scaleFault(
  { name, steps }: Pick<Scale, 'name' | 'steps'>,
  others: readonly Scale[],
): string | undefined {
  if (name.trim() === '') return 'Give the scale a name.';
  if (countLetters(name) > SCALE_LIMITS.name) return `A scale’s name has at most ${SCALE_LIMITS.name} letters.`;
  if (steps.length < 2) return 'A scale has two steps or more, one a line, the easiest first.';
  if (steps.length > SCALE_LIMITS.steps) return `A scale has at most ${SCALE_LIMITS.steps} steps.`;
  for (const [i, step] of steps.entries()) {
    const place = `Step ${i + 1}, “${step}”,`;
    if (countLetters(step) > SCALE_LIMITS.step) return `Step ${i + 1} has more than ${SCALE_LIMITS.step} letters.`;
    if (!/^\p{L}[\p{L} ]*$/u.test(step) || /\bor\b|^effort\b|^kgs?\b/.test(step))
      return `${place} can’t stand behind @: it is of letters and blanks, without “or”, and doesn’t begin with “effort” or “kg”.`;
    if (steps.indexOf(step) !== i) return `${place} stands on this scale twice.`;
    const other = findStep(others, step);
    if (other) return `${place} stands on “${other.scale.name}” already; a step is on one scale.`;
  }
  return undefined;
}
