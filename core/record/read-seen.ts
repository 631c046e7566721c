import type { FewerFrom, FewerReps } from '../clock/fewer.ts';
import type { ChosenShape } from '../clock/shapes.ts';

/** What the clock saw being chosen, as the log carries it. */
export interface SeenChoices {
  readonly chosen: readonly ChosenShape[];
  readonly fewer: FewerReps;
}

/** So many of each kind are taken of what a page says. */
export const MOST_SEEN = 200;
const isText = (value: unknown): value is string => typeof value === 'string' && value.length <= 120;
/** Whether something is the number of a block, an item, a set or a turn. */
export const isPlace = (value: unknown): value is number =>
  Number.isInteger(value) && (value as number) >= 0 && (value as number) < 500;

const entriesOf = (value: unknown): [string, unknown][] =>
  typeof value === 'object' && value !== null ? Object.entries(value).slice(0, MOST_SEEN) : [];
const listOf = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value.slice(0, MOST_SEEN) : []);

/** Shapes and fewer repetitions out of what a page, or an address, says the clock saw. What isn't of that shape says nothing. */
export function readChoices(
  seen: { readonly chosen?: unknown; readonly fewer?: unknown } | null | undefined,
): SeenChoices {
  return {
    chosen: listOf(seen?.chosen).flatMap((c): ChosenShape[] => {
      const { block, item, from, to } = (c ?? {}) as Record<keyof ChosenShape, unknown>;
      return isPlace(block) && isPlace(item) && isText(from) && isText(to) ? [{ block, item, from, to }] : [];
    }),
    fewer: Object.fromEntries(
      entriesOf(seen?.fewer).flatMap(([block, places]): [string, readonly FewerFrom[]][] => {
        const read = isPlace(Number(block)) ? listOf(places).flatMap(readFewer) : [];
        return read.length > 0 ? [[block, read]] : [];
      }),
    ),
  };
}

function readFewer(value: unknown): FewerFrom[] {
  const { set, turn, item, by } = (value ?? {}) as Record<keyof FewerFrom, unknown>;
  return isPlace(set) && isPlace(turn) && isPlace(item) && (by === 1 || by === -1) ? [{ set, turn, item, by }] : [];
}
