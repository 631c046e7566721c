import { editDistance, nearestWords } from '../notation/nearest.ts';
import type { MovementLibrary } from './library.ts';

const FILLERS = new Set(['to', 'the', 'and', 'with', 'on', 'in', 'of', 'a']);
const wordsOf = (name: string) => name.toLowerCase().split(/[\s\p{Pd}]+/u).filter((w) => w.length > 2 && !FILLERS.has(w)).map((w) => (w.length > 3 && w.endsWith('s') && !w.endsWith('ss') ? w.slice(0, -1) : w));

/**
 * Names of movements that may have been meant, nearest first: whole names that differ by few letters, then names that
 * share a word or nearly so. Nothing near: empty.
 */
export function nearestMovements(name: string, library: MovementLibrary, count = 3): string[] {
  const names = library.movements.flatMap((m) => [m.name, ...m.otherNames]);
  const near = nearestWords(name, names, count);
  const wanted = wordsOf(name).slice(0, 8);
  const byWord = library.movements.map((m) => {
    const own = wordsOf(m.name);
    const shared = wanted.filter((w) => own.some((o) => (w.length > 3 ? editDistance(w, o, 1) <= 1 : w === o))).length;
    return { name: m.name, score: shared / Math.max(own.length, wanted.length) };
  }).filter((x) => x.score > 0.3).sort((a, b) => b.score - a.score || a.name.length - b.name.length || (a.name < b.name ? -1 : 1));
  const proper = near.map((n) => library.findByName(n)!.name);
  return [...new Set([...proper, ...byWord.map((x) => x.name)])].slice(0, count);
}
