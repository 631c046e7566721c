import { describeFigure } from '../../../core/figure/describe.ts';
import { figureOf } from '../../../core/figure/figure-of.ts';
import { packFigure } from '../../../core/figure/pack.ts';
import { drawStill, stillMarkup, viewBoxOf } from '../../../core/figure/still.ts';
import type { Figure, View } from '../../../core/figure/figure.ts';
import { mirror } from '../../../core/figure/pose.ts';
import type { SheetFigure, SheetFigures } from '../../../core/figure/sheet-figure.ts';
import type { MovementLibrary } from '../../../core/movement/library.ts';
import type { Movement } from '../../../core/movement/movement.ts';
import { figureWords } from './figure-words.ts';

/** A drawing follows from its movement alone, whose object changes with every change of it. */
const drawn = new WeakMap<Movement, SheetFigure | null>();

/** No repetition is shown quicker than this. */
const LEAST_SEC = 1.2;

/** A movement's drawing as a page shows it; null where it has none. */
export function sheetFigure(movement: Movement, library: MovementLibrary): SheetFigure | null {
  let known = drawn.get(movement);
  if (known === undefined) drawn.set(movement, (known = drawFigure(movement, library)));
  return known;
}

/** A movement's drawing from the side that shows it best, or from another; null where it has none. */
export function drawFigure(movement: Movement, library: MovementLibrary, view?: View): SheetFigure | null {
  const best = figureOf(movement, library);
  if (!best) return null;
  return toSheetFigure(view ? { ...best, view } : best, movement.paceSec.likely);
}

/** A figure as a page shows it, a repetition taking so many seconds. */
export function toSheetFigure(figure: Figure, repSec: number): SheetFigure {
  const still = drawStill(figure);
  const sides = figure.alternates ? 2 : 1;
  return {
    box: viewBoxOf(still.frame),
    markup: stillMarkup(still),
    packed: packFigure(figure),
    moves: figure.poses.length > 1,
    sec: Math.max(LEAST_SEC, repSec) * sides,
    words: figureWords(describeFigure(figure)),
    otherWords: figureWords(describeFigure({ ...figure, poses: figure.poses.map(mirror) })),
  };
}

/** The drawings of movements by the names that they are written with; those without one are left out. */
export function sheetFigures(names: Iterable<string>, library: MovementLibrary): SheetFigures {
  return Object.fromEntries(
    [...new Set(names)].flatMap((name) => {
      const movement = library.findByName(name);
      const figure = movement ? sheetFigure(movement, library) : null;
      return figure ? [[name, figure] as const] : [];
    }),
  );
}
