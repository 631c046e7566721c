import type { Block } from '../document/document.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { isWork } from '../words/describe-item.ts';

/** A movement that was read from its name, as it is told. */
export interface ToldReading {
  /** As it is written. */
  readonly name: string;
  readonly movementId: string;
  /** `reverse lunge, then biceps curl; with weights`. */
  readonly said: string;
  /** Where the higher grade was taken. */
  readonly safeSide: readonly string[];
}

/** The movements of some blocks that were read from their names, each once, in order. */
export function listReadings(blocks: readonly Block[], library: MovementLibrary): ToldReading[] {
  const found = new Map<string, ToldReading>();
  for (const block of blocks)
    for (const item of block.items.filter(isWork))
      for (const { name } of item.choices) {
        const reading = library.read(name);
        if (!reading || found.has(reading.movement.id)) continue;
        const { movement, said, safeSide } = reading;
        found.set(movement.id, { name, movementId: movement.id, said, safeSide });
      }
  return [...found.values()];
}

/** `read from the name: reverse lunge, then curl; with dumbbells (on the safe side: effort)`. */
export const explainReading = ({ said, safeSide }: Pick<ToldReading, 'said' | 'safeSide'>): string =>
  `read from the name: ${said}${safeSide.length > 0 ? ` (on the safe side: ${safeSide.join(', ')})` : ''}`;
