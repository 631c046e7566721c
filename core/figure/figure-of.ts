import { readPiece } from '../movement/kit.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { baseLibrary } from '../movement/library.ts';
import type { Movement } from '../movement/movement.ts';
import type { Shape } from '../movement/name/lexicon.ts';
import { cover } from '../movement/name/read-name.ts';
import type { Figure, HeldKit } from './figure.ts';
import { readOwnDrawing } from './own-drawing.ts';
import { drawnFigure } from './poses/drawn.ts';
import { VARIATIONS } from './vary.ts';

const HELD: Readonly<Record<string, HeldKit['kind']>> = {
  weight: 'dumbbell',
  dumbbell: 'dumbbell',
  bottle: 'bottle',
  kettlebell: 'kettlebell',
  barbell: 'barbell',
  plate: 'plate',
  'medicine ball': 'ball',
  sandbag: 'sandbag',
  stick: 'stick',
};

/** What the hands hold, by the kit that the movement asks for. */
function heldKit(movement: Movement): readonly HeldKit[] {
  return movement.kit.flatMap((words): HeldKit[] => {
    const { key, count } = readPiece(words);
    const kind = HELD[key];
    if (!kind) return [];
    if (kind === 'barbell' || kind === 'stick') return [{ kind, how: 'two hands' }];
    return [{ kind, how: (count ?? 1) > 1 ? 'both' : movement.isOneSided ? 'one' : 'two hands' }];
  });
}

/** Several figures one after another, counted as one. */
function inTurn(figures: readonly Figure[]): Figure {
  const views = new Set(figures.map((figure) => figure.view));
  const poses = figures.flatMap((figure, i) => {
    const back = figure.goesRound || figure.poses.length < 2 ? [] : figure.poses.slice(0, -1).reverse();
    const through = [...figure.poses, ...back];
    return i === 0 ? through : through.map((pose, j) => (j === 0 ? setDown(pose) : pose));
  });
  return {
    view: views.size === 1 ? figures[0]!.view : 'quarter',
    goesRound: true,
    alternates: false,
    travels: figures.some((figure) => figure.travels),
    poses: poses.map((pose, i) => (i === 0 ? setDown(pose) : pose)),
    kit: figures.flatMap((figure) => figure.kit),
  };
}

const setDown = (pose: Figure['poses'][number]): Figure['poses'][number] => ({
  ...pose,
  touches: pose.touches.map((touch) => ({ ...touch, isSetDown: true })),
});

/** The most poses that a drawing goes through. */
const MAX_POSES = 16;

function ofShape(shape: Shape, library: MovementLibrary): Figure | undefined {
  const { from, left } = cover(shape, library.book.lexicon);
  const head = figureOf(from, library);
  return left.reduce<Figure | undefined>(
    (figure, modifier) => figure && (modifier.family === 'empty' ? figure : VARIATIONS[modifier.id]?.(figure, from)),
    head,
  );
}

function ofParts(figures: readonly (Figure | undefined)[]): Figure | undefined {
  const drawn = figures.filter((figure) => figure !== undefined);
  if (drawn.length < figures.length || drawn.length === 0) return undefined;
  const figure = drawn.length === 1 ? drawn[0]! : inTurn(drawn);
  return figure.poses.length > MAX_POSES ? undefined : figure;
}

/**
 * The drawing of a movement: its own, that of its parts one after the other, or that of the movement its name is read from, changed
 * as each modifier says. Undefined where one of these can't be drawn: no drawing rather than a wrong one.
 */
export function figureOf(movement: Movement, library: MovementLibrary): Figure | undefined {
  const figure = bareFigure(movement, library);
  return figure && { ...figure, kit: heldKit(movement) };
}

function bareFigure(movement: Movement, library: MovementLibrary): Figure | undefined {
  const drawing = movement.drawing === '' ? undefined : readOwnDrawing(movement.drawing);
  if (drawing?.status === 'drawn') return drawing.figure;
  const own = drawnFigure(movement.id);
  if (own) return own;
  const reading = library.readingOf(movement.id);
  if (reading) return ofParts(reading.shapes.map((shape) => ofShape(shape, library)));
  if (movement.parts.length < 2) return byOwnName(movement, library);
  return ofParts(movement.parts.map((id) => library.find(id)).map((part) => part && figureOf(part, library)));
}

/** A movement of a coach's own is drawn as its name is read among what ships; words that say nothing there have no drawing. */
function byOwnName(movement: Movement, library: MovementLibrary): Figure | undefined {
  if (library === baseLibrary || baseLibrary.findOnShelf(movement.id)) return undefined;
  const read = baseLibrary.findByName(movement.name);
  return read && bareFigure(read, baseLibrary);
}
