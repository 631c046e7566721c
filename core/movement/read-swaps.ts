import { cutLetters } from '../letters.ts';
import type { MovementLibrary } from './library.ts';

/** Standing swaps of one person. */
export const MAX_SWAPS = 20;

export interface Swap {
  readonly from: string;
  readonly to: string;
}

/**
 * Standing swaps as they are written, `push-up -> wall push-up` each: the ids of two movements, of the shelf or read from their
 * names. What names none is told, with what to write.
 */
export function readSwaps(
  texts: readonly string[],
  library: MovementLibrary,
): { readonly swaps: readonly Swap[]; readonly errors: readonly string[] } {
  const swaps: Swap[] = [];
  const errors: string[] = [];
  for (const text of texts) {
    const said = `“${cutLetters(text, 60)}”`;
    const [from, to, more] = text.split(/->|→|=>/).map((n) => library.findByName(n.trim()));
    if (!from || !to || more)
      errors.push(`${said} doesn’t name two movements; write one a line, like “push-up -> wall push-up”.`);
    else if (from.id === to.id) errors.push(`${said} swaps a movement for itself.`);
    else swaps.push({ from: from.id, to: to.id });
  }
  return { swaps, errors };
}
