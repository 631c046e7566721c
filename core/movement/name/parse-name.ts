import type { Movement } from '../movement.ts';
import type { Entry, Lexicon, Shape } from './lexicon.ts';
import { isSaidAlready } from './apply-modifiers.ts';
import { sortModifiers } from './lexicon.ts';
import type { Modifier } from './modifier.ts';

/** Movements that a name may join. */
export const MAX_PARTS = 4;

/** One part as it is being read: modifiers still by what their words may mean. */
interface OpenPart {
  readonly before: (readonly Modifier[])[];
  head: Movement | undefined;
  readonly behind: (readonly Modifier[])[];
}

/**
 * The parts that a name's words say, in order: modifiers, a head, modifiers, joined by joining words or side by side. Undefined
 * where a word is none of them, where no head is named, or where no head takes what is said of it. Linear in the words.
 */
export function parseName(words: readonly string[], lexicon: Lexicon): readonly Shape[] | undefined {
  const entries = toEntries(words, lexicon);
  return entries && (parseWith(entries, lexicon, true) ?? parseWith(entries, lexicon, false));
}

/** The words as entries, the longest first; where that leaves words that are none, a shorter one is tried. */
function toEntries(words: readonly string[], lexicon: Lexicon): readonly Entry[] | undefined {
  const dead = new Set<number>();
  const entries: Entry[] = [];
  const go = (from: number): boolean => {
    if (from === words.length) return true;
    if (dead.has(from)) return false;
    const found = lexicon.matches(words, from);
    for (let i = found.length - 1; i >= 0; i--) {
      const { entry, length } = found[i]!;
      entries.push(entry);
      if (go(from + length)) return true;
      entries.pop();
    }
    dead.add(from);
    return false;
  };
  return go(0) ? entries : undefined;
}

/** Where words are both a modifier and a head (a jump), one of them goes first. */
function parseWith(entries: readonly Entry[], lexicon: Lexicon, modifierFirst: boolean): readonly Shape[] | undefined {
  const parts: OpenPart[] = [{ before: [], head: undefined, behind: [] }];
  let isJoined = false;
  for (const entry of entries) {
    const current = parts.at(-1)!;
    if (entry.modifiers && (modifierFirst || !entry.head)) {
      // After a joining word they belong to the part that follows, if there is one.
      if (current.head && isJoined) parts.push({ before: [entry.modifiers], head: undefined, behind: [] });
      else (current.head ? current.behind : current.before).push(entry.modifiers);
      isJoined = false;
    } else if (entry.head) {
      if (current.head) {
        if (parts.length >= MAX_PARTS) return undefined;
        // Side by side: what stands between belongs to the part that follows, unless it is said behind.
        const next = isJoined ? [] : current.behind.filter((m) => !m.some((x) => x.isBehind));
        for (const m of next) current.behind.splice(current.behind.indexOf(m), 1);
        parts.push({ before: next, head: entry.head, behind: [] });
      } else current.head = entry.head;
      isJoined = false;
    } else isJoined = true;
  }
  if (isJoined) return undefined;
  const last = parts.at(-1)!;
  if (!last.head) {
    // "squat and press with dumbbells": said of what stands before.
    const [previous] = parts.splice(-1, 1);
    if (parts.length === 0) return undefined;
    parts.at(-1)!.behind.push(...previous!.before);
  }
  return settle(parts, lexicon);
}

/** Decides for each modifier which one it is, by what the heads take; an implement is for all parts that take it. */
function settle(parts: readonly OpenPart[], lexicon: Lexicon): Shape[] | undefined {
  const shapes = parts.map(({ head }) => {
    const { head: root, modifiers } = lexicon.shapeOf(head!);
    return { head: root, own: head!, modifiers: [...modifiers] };
  });
  for (const [i, part] of parts.entries()) {
    for (const choices of [...part.before, ...part.behind]) {
      const isShared = parts.length > 1 && choices.some((m) => m.family === 'implement');
      const takers = isShared ? shapes : [shapes[i]!];
      let taken = false;
      for (const shape of takers) {
        const modifier = choices.find((m) => m.takes(shape.own) || (shape.own !== shape.head && m.takes(shape.head)));
        if (modifier && !isSaidAlready(modifier, shape.own)) shape.modifiers.push(modifier);
        taken ||= modifier !== undefined;
      }
      if (!taken) return undefined;
    }
  }
  return shapes.map(({ head, modifiers }) => ({ head, modifiers: sortModifiers(modifiers) }));
}
