import type { MovementLibrary } from '../library.ts';
import { withoutArticles } from './lexicon.ts';
import { nameWords } from './words.ts';

/**
 * Names that a half-written one may become, where what stands so far are modifiers, or a movement and a joining word: `dumbbell rev`
 * is `dumbbell reverse lunge`. Only names that are read. A first word alone gives none: the shelf's own names are enough for that. At most `most`.
 */
export function completeName(typed: string, library: MovementLibrary, most: number): string[] {
  const at = typed.search(/\S+$/);
  const [done, partial] =
    at < 0 ? [typed.trimEnd(), ''] : [typed.slice(0, at).trimEnd(), typed.slice(at).toLowerCase()];
  if (done === '' || !isOpen(done, library)) return [];
  const found: string[] = [];
  for (const { name, otherNames } of library.movements) {
    for (const own of [name, ...otherNames]) {
      if (!own.toLowerCase().startsWith(partial)) continue;
      const whole = `${done} ${own}`;
      if (!library.findByName(whole)) continue;
      found.push(whole);
      break;
    }
    if (found.length >= most) break;
  }
  return found;
}

/** True where a movement has still to follow: after modifiers, or after a joining word behind a movement. */
function isOpen(done: string, library: MovementLibrary): boolean {
  const words = withoutArticles(nameWords(done));
  const { lexicon } = library.book;
  let isJoined = false;
  let hasHead = false;
  for (let i = 0; i < words.length;) {
    const found = lexicon.matches(words, i).at(-1);
    if (!found) return false;
    isJoined = found.entry.isJoin === true && !found.entry.modifiers && !found.entry.head;
    hasHead ||= found.entry.head !== undefined && !found.entry.modifiers;
    i += found.length;
  }
  return words.length > 0 && (!hasHead || isJoined);
}
