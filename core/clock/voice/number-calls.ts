import type { Carried, Stage } from '../stage.ts';
import { carriedFigure } from '../stage.ts';

/** A number that a voice calls as its turn begins, with the way that the numbers go. */
export interface NumberCall {
  readonly figure: string;
  /** More numbers before the highest one; `top`: this is it; `down`: the first one below it; null where there is no way. */
  readonly way: { readonly kind: 'more'; readonly count: number } | { readonly kind: 'top' | 'down' | 'last' } | null;
}

/** The number that all lines of a stage carry; undefined where they differ, or none does. */
function carriedByAll({ lines }: Pick<Stage, 'lines'>): Carried | undefined {
  const [first, ...others] = lines.flatMap((l) => (l.movement === '' ? [] : [l.carried]));
  if (!first) return undefined;
  const same = JSON.stringify(first);
  return others.every((c) => JSON.stringify(c) === same) ? first : undefined;
}

function wayAt(values: readonly number[], at: number): NumberCall['way'] {
  const top = values.indexOf(Math.max(...values));
  if (at >= values.length - 1)
    return values.length > 1 && values[at]! < values[top]! ? { kind: 'last' } : { kind: 'top' };
  if (at === top && at > 0) return { kind: 'top' };
  if (at < top && values[at + 1]! > values[at]!) return { kind: 'more', count: top - at };
  return at === top + 1 && top > 0 ? { kind: 'down' } : null;
}

/**
 * The number that begins after so many taps in a stage; undefined where its number doesn't change then. `top` is the set that a way down
 * begins from.
 */
export function numberAt(stage: Stage, taps: number, top: number): NumberCall | undefined {
  const carried = carriedByAll(stage);
  if (!carried) return undefined;
  const figure = carriedFigure(carried, taps, top);
  if (taps > 0 && figure === carriedFigure(carried, taps - 1, top)) return undefined;
  switch (carried.kind) {
    case 'list':
      return { figure, way: carried.cycling ? null : wayAt(carried.values, Math.min(taps, carried.values.length - 1)) };
    case 'growing':
      return { figure, way: null };
    case 'set':
      return { figure, way: carried.direction === 'down' && taps === 0 ? { kind: 'down' } : null };
  }
}

const WAY_WORDS = { top: 'the top', down: 'down again', last: 'the last one' } as const;

/** "8 now, 3 more to the top". */
export function numberWords({ figure, way }: NumberCall): string {
  if (way === null) return `${figure} now`;
  return `${figure} now, ${way.kind === 'more' ? `${way.count} more to the top` : WAY_WORDS[way.kind]}`;
}
