import { editDistance, nearestWords } from '../words/nearest.ts';
import type { MovementLibrary } from './library.ts';

const FILLERS = new Set(['to', 'the', 'and', 'with', 'on', 'in', 'of', 'a']);
const wordsOf = (name: string) =>
  name
    .toLowerCase()
    .split(/[\s\p{Pd}]+/u)
    .filter((w) => w.length > 2 && !FILLERS.has(w))
    .map((w) => (w.length > 3 && w.endsWith('s') && !w.endsWith('ss') ? w.slice(0, -1) : w));

interface NameIndex {
  readonly names: readonly string[];
  readonly words: readonly { readonly name: string; readonly own: readonly string[] }[];
  /** The same unknown names are asked for at every keystroke. */
  readonly answered: Map<string, string[]>;
}

const MAX_ANSWERED = 500;
const indexes = new WeakMap<MovementLibrary, NameIndex>();

function indexOf(library: MovementLibrary): NameIndex {
  let index = indexes.get(library);
  if (!index) {
    index = {
      names: library.movements.flatMap((m) => [m.name, ...m.otherNames]),
      words: library.movements.map((m) => ({ name: m.name, own: wordsOf(m.name) })),
      answered: new Map(),
    };
    indexes.set(library, index);
  }
  return index;
}

const joined = (name: string) => wordsOf(name).length > 0 && name.toLowerCase().replace(/[\s\p{Pd}]+/gu, '');

/** Whether two names are of one kind of movement: their heads, the last words, are the same or nearly so (a squat, a row). */
function isSameHead(one: string, other: string): boolean {
  // `pushup` is one word of two.
  if (joined(one) === joined(other)) return true;
  const [a, b] = [wordsOf(one).at(-1), wordsOf(other).at(-1)];
  return (
    a !== undefined && b !== undefined && (a === b || (Math.max(a.length, b.length) > 4 && editDistance(a, b, 1) <= 1))
  );
}

/**
 * Names of movements that may have been meant, nearest first: whole names that differ by few letters, then names that
 * share their head, so that no other exercise is offered. Nothing near: empty.
 */
export function nearestMovements(name: string, library: MovementLibrary, count = 3): string[] {
  const { names, words, answered } = indexOf(library);
  const key = `${count} ${name.toLowerCase()}`;
  const known = answered.get(key);
  if (known) return known;
  const near = nearestWords(name, names, count);
  const wanted = wordsOf(name).slice(0, 8);
  const byWord = words
    .map(({ name: own, own: ownWords }) => {
      const shared = wanted.filter((w) =>
        ownWords.some((o) => (w.length > 3 ? editDistance(w, o, 1) <= 1 : w === o)),
      ).length;
      return { name: own, score: shared / Math.max(ownWords.length, wanted.length) };
    })
    .filter((x) => x.score > 0.3 && isSameHead(x.name, name))
    .sort((a, b) => b.score - a.score || a.name.length - b.name.length || (a.name < b.name ? -1 : 1));
  const found = [
    ...new Set([
      ...near.filter((n) => isSameHead(n, name)).map((n) => library.findByName(n)!.name),
      ...byWord.map((x) => x.name),
    ]),
  ].slice(0, count);
  answered.set(key, found);
  if (answered.size > MAX_ANSWERED) answered.delete(answered.keys().next().value!);
  return found;
}
