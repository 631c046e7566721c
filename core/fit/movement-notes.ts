import { isWork } from '../words/describe-item.ts';
import type { Block } from '../document/document.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { Movement } from '../movement/movement.ts';

/** How a movement is done, in short lines. */
export type MovementNote = Pick<Movement, 'setUp' | 'doing' | 'watchFor' | 'breathing' | 'cautions'>;
/** By the name as it is written. */
export type MovementNotes = Readonly<Record<string, MovementNote>>;

/** The movements of some blocks, as they are written. */
export const namesIn = (blocks: readonly Block[]): ReadonlySet<string> =>
  new Set(blocks.flatMap((b) => b.items.filter(isWork).flatMap((i) => i.choices.map((c) => c.name))));

/** The notes of all movements in some blocks; those that the library doesn't know, or says nothing of, are left out. */
export function collectNotes(blocks: readonly Block[], library: MovementLibrary): MovementNotes {
  return Object.fromEntries(
    [...namesIn(blocks)].flatMap((name) => {
      const m = library.findByName(name);
      return m && m.doing !== ''
        ? [
            [
              name,
              { setUp: m.setUp, doing: m.doing, watchFor: m.watchFor, breathing: m.breathing, cautions: m.cautions },
            ],
          ]
        : [];
    }),
  );
}
