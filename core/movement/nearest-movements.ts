import { BoundedCache } from '../bounded-cache.ts';
import { groupBy } from '../group-by.ts';
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
  /** Names and other names by their heads, the last words. */
  readonly byHead: ReadonlyMap<string, readonly string[]>;
  readonly byJoined: ReadonlyMap<string, string>;
  /** The same unknown names are asked for at every keystroke. */
  readonly answered: BoundedCache<string, string[]>;
}

const MAX_ANSWERED = 500;
const indexes = new WeakMap<MovementLibrary, NameIndex>();

const joined = (name: string) => name.toLowerCase().replace(/[\s\p{Pd}]+/gu, '');

function indexOf(library: MovementLibrary): NameIndex {
  let index = indexes.get(library);
  if (!index) {
    const names = library.movements.flatMap((m) => [m.name, ...m.otherNames]);
    index = {
      byHead: groupBy(names, (name) => wordsOf(name).at(-1) ?? ''),
      byJoined: new Map(names.map((name) => [joined(name), name])),
      answered: new BoundedCache(MAX_ANSWERED),
    };
    indexes.set(library, index);
  }
  return index;
}

/** Names of one kind of movement: their heads are the same or nearly so (a squat, a row). */
function sameKind(head: string, { byHead }: NameIndex): string[] {
  const found: string[] = [];
  for (const [own, names] of byHead)
    if (own === head || (Math.max(own.length, head.length) > 4 && editDistance(own, head, 1) <= 1))
      found.push(...names);
  return found;
}

/**
 * Names of movements that may have been meant, nearest first: whole names that differ by few letters, then names that
 * share their head, so that no other exercise is offered. Nothing near: empty.
 */
export function nearestMovements(name: string, library: MovementLibrary, count = 3): string[] {
  const index = indexOf(library);
  return index.answered.get(`${count} ${name.toLowerCase()}`, () => findNearest(name, library, index, count));
}

function findNearest(name: string, library: MovementLibrary, index: NameIndex, count: number): string[] {
  const wanted = wordsOf(name).slice(0, 8);
  const head = wordsOf(name).at(-1);
  const kind = head === undefined ? [] : sameKind(head, index);
  // `pushup` is one word of two.
  const whole = index.byJoined.get(joined(name));
  const near = [...(whole === undefined ? [] : [whole]), ...nearestWords(name, kind, count)];
  const byWord = kind
    .filter((own) => library.findByName(own)?.name === own)
    .map((own) => {
      const ownWords = wordsOf(own);
      const shared = wanted.filter((w) =>
        ownWords.some((o) => (w.length > 3 ? editDistance(w, o, 1) <= 1 : w === o)),
      ).length;
      return { name: own, score: shared / Math.max(ownWords.length, wanted.length) };
    })
    .filter((x) => x.score > 0.3)
    .sort((a, b) => b.score - a.score || a.name.length - b.name.length || (a.name < b.name ? -1 : 1));
  return [...new Set([...near.map((n) => library.findByName(n)!.name), ...byWord.map((x) => x.name)])].slice(0, count);
}
