import { editDistance } from '../../words/nearest.ts';
import type { MovementLibrary } from '../library.ts';
import type { Movement } from '../movement.ts';
import { withoutArticles } from './lexicon.ts';
import { MAX_NAME_WORDS, nameWords } from './words.ts';

/** What a name may mean where not all of its words are known. */
export interface LooseReading {
  readonly movement: Movement;
  /** As it would be written: a misspelt word mended, unknown ones left out. */
  readonly name: string;
  /** Words that nothing is known of. */
  readonly left: readonly string[];
}

/** Shorter words are too often another word when a letter differs. */
const SHORTEST_MENDED = 4;

/**
 * The reading of a name that isn't read as it stands: words that differ from a known one by a letter are mended, others that nothing
 * is known of are left out. Undefined where no movement is named then either, or where most of it would be guessed.
 */
export function readLoosely(name: string, library: MovementLibrary): LooseReading | undefined {
  if (library.findByName(name)) return undefined;
  const words = withoutArticles(nameWords(name));
  if (words.length === 0 || words.length > MAX_NAME_WORDS) return undefined;
  const { vocabulary } = library.book.lexicon;
  const left: string[] = [];
  const kept: string[] = [];
  for (const word of words) {
    if (left.length > 1) return undefined;
    const mended = vocabulary.has(word) ? word : mend(word, vocabulary);
    if (mended === undefined) left.push(word);
    else kept.push(mended);
  }
  // One word nobody knows beside a movement is a way of doing it; more are another movement.
  if (kept.length === 0 || left.length > 1 || (left.length === 1 && kept.length < 2)) return undefined;
  const written = kept.join(' ');
  const movement = library.findByName(written);
  if (!movement) return undefined;
  return {
    movement,
    name: library.readingOf(movement.id) ? movement.name : library.has(written) ? movement.name : written,
    left,
  };
}

const startsAlike = (a: string, b: string): boolean => a[0] === b[0] || a[1] === b[1] || a[0] === b[1] || a[1] === b[0];

/** The one known word that differs by a letter; undefined where there is none, or more than one. */
function mend(word: string, vocabulary: ReadonlySet<string>): string | undefined {
  if (word.length < SHORTEST_MENDED) return undefined;
  let only: string | undefined;
  for (const known of vocabulary) {
    if (known.length < SHORTEST_MENDED || Math.abs(known.length - word.length) > 1) continue;
    // One letter changes at most one of the first two, or moves them by one.
    if (!startsAlike(word, known) || editDistance(word, known, 1) > 1) continue;
    if (only !== undefined) return undefined;
    only = known;
  }
  return only;
}
