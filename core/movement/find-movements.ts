import type { MovementLibrary } from './library.ts';
import { nameKey } from './library.ts';
import { nearestMovements } from './nearest-movements.ts';
import type { Movement, Pattern, Position } from './movement.ts';
import { PLACES, servesAs } from './kit.ts';
import type { Spare } from './spare.ts';
import { askedBits, spareBits } from './spare.ts';

export interface MovementQuery {
  /** Words of a name, another name or a description; empty: any. */
  readonly words: string;
  readonly pattern?: Pattern;
  readonly position?: Position;
  /** A piece of kit, or `none` for what needs none. */
  readonly kit?: string;
  /** What the movement must not ask for. */
  readonly spares: readonly Spare[];
}

/**
 * Movements that a coach may look for, best match of the words first, then by pattern and effort. Words that match
 * nothing bring the nearest names. Everything matches an empty query. `readings` are searched like those of the shelf; what the
 * words are read as goes first.
 */
export function findMovements(
  library: MovementLibrary,
  query: MovementQuery,
  readings: readonly Movement[] = [],
): Movement[] {
  const words = nameKey(query.words)
    .split(' ')
    .filter((w) => w !== '');
  const bits = spareBits(query.spares);
  const open = [...readings, ...library.movements].filter(
    (m) =>
      (query.pattern === undefined || m.pattern === query.pattern) &&
      (query.position === undefined || m.position === query.position) &&
      (askedBits(m) & bits) === 0 &&
      (query.kit === undefined || hasKit(m, query.kit)),
  );
  if (words.length === 0)
    return [...open].sort((a, b) =>
      a.pattern < b.pattern
        ? -1
        : a.pattern > b.pattern
          ? 1
          : a.effortClass - b.effortClass || (a.name < b.name ? -1 : 1),
    );
  const said = library.findByName(query.words);
  const scored = open
    .map((m) => ({ m, score: m === said ? Infinity : scoreWords(m, words) }))
    .filter((x) => x.score > 0)
    .sort(
      (a, b) =>
        (a.score === b.score ? 0 : b.score - a.score) ||
        a.m.effortClass - b.m.effortClass ||
        (a.m.name < b.m.name ? -1 : 1),
    )
    .map((x) => x.m);
  if (scored.length > 0) return scored;
  const near = new Set(nearestMovements(query.words, library, 8));
  return open.filter((m) => near.has(m.name));
}

const hasKit = (m: Movement, kit: string): boolean =>
  kit === 'none' ? m.kit.every((k) => PLACES.includes(k)) : m.kit.some((k) => servesAs(kit, k));

/** Every word must be found somewhere; in the name counts most. */
function scoreWords(m: Movement, words: readonly string[]): number {
  const name = nameKey(m.name);
  const others = m.otherNames.map(nameKey);
  const rest = nameKey(`${m.setUp} ${m.doing} ${m.watchFor} ${m.kit.join(' ')} ${m.pattern} ${m.position}`);
  let score = 0;
  for (const word of words) {
    const own = name.split(' ').some((w) => w.startsWith(word))
      ? 6
      : name.includes(word)
        ? 4
        : others.some((o) => o.includes(word))
          ? 3
          : rest.includes(word)
            ? 1
            : 0;
    if (own === 0) return 0;
    score += own;
  }
  // The name as a whole goes before any words of it.
  const whole = words.join(' ');
  return name === whole ? score + 20 : others.includes(whole) ? score + 10 * words.length : score;
}
