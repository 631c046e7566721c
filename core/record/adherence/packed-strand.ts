import type { DayState } from './strand.ts';

/** What a strand is drawn from: a state for each planned day, and how much of it where it was a part. */
export interface StrandMark {
  readonly state: DayState;
  readonly shareRatio: number | undefined;
}

const LETTERS: Readonly<Record<DayState, string>> = {
  done: 'd',
  part: 'p',
  'not-done': 'n',
  due: 'u',
  missed: 'm',
  ahead: 'a',
  before: 'b',
  unsent: 'x',
  excused: 'e',
  'not-due': 'f',
  bonus: 'o',
  late: 'l',
};
const STATES = new Map(Object.entries(LETTERS).map(([state, letter]) => [letter, state as DayState]));

/**
 * The marks of a strand as one short text, in the order of the days: a letter each, behind a part its share in percent. Four
 * hundred people's weeks then weigh less than the letters of their names.
 */
export const packStrand = (marks: readonly StrandMark[]): string =>
  marks
    .map(({ state, shareRatio }) => (state === 'part' ? `p${Math.round((shareRatio ?? 0.5) * 100)}` : LETTERS[state]))
    .join('');

/** The marks again. Throws RangeError on a text that packStrand hasn't made. */
export const unpackStrand = (packed: string): StrandMark[] =>
  Array.from(packed.matchAll(/([a-z])(\d*)/g), ([, letter, pct]) => {
    const state = STATES.get(letter!);
    if (!state) throw new RangeError(`“${letter}” is no state of a day`);
    const shareRatio = { done: 1, part: Number(pct) / 100, 'not-done': 0 }[state as 'done' | 'part' | 'not-done'];
    return { state, shareRatio };
  });
