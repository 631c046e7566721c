import type { MovementLibrary } from '../movement/library.ts';
import { naturalLine } from './own-words/natural-line.ts';
import type { ParsedSession } from './parse.ts';
import { parseStrictly } from './parse.ts';
import type { MovementNames } from './read-item.ts';

const isLibrary = (names: MovementNames | MovementLibrary): names is MovementLibrary => 'findByName' in names;

/**
 * Reads session notation, and lines in natural words that have one reading: these are taken as their usual spelling, which
 * `source.natural` names. As for the rest see parseStrictly. `names` that aren't a whole library take no natural words.
 */
export const parseSession = (text: string, names: MovementNames | MovementLibrary): ParsedSession =>
  parseStrictly(text, names, isLibrary(names) ? (words, as) => naturalLine(words, as, names) : undefined);
