import type { Movement } from '../movement.ts';
import { JOINTS } from '../movement.ts';
import type { Shape } from './lexicon.ts';
import { sortModifiers } from './lexicon.ts';
import type { Modifier } from './modifier.ts';
import { EASINGS, hasWeight, MODIFIERS } from './modifiers.ts';
import type { NameBook } from './read-name.ts';
import { isReading, readShapes } from './read-name.ts';

/** A movement that is one change away from another. */
export interface Neighbour {
  readonly movement: Movement;
  readonly shapes: readonly Shape[];
  /** What the other one has more: `with dumbbells`, `and biceps curl`, `hands free`. */
  readonly more: string;
}

const byId = new Map(MODIFIERS.map((m) => [m.id, m]));

/** What a movement is made of: its reading, or its own name taken apart. */
export const shapesOf = (movement: Movement, book: NameBook): readonly Shape[] =>
  book.shapesOf(movement.id) ?? [book.lexicon.shapeOf(movement)];

/**
 * Easier ones that are one change away, the smallest change first: a modifier left off or changed, one that eases added, one part
 * less, one part easier. Never of a higher effort class.
 */
export function easierNeighbours(movement: Movement, book: NameBook): readonly Neighbour[] {
  const found = new Map<string, Neighbour>();
  for (const { shapes, more, isEasing } of easierShapes(movement, shapesOf(movement, book))) {
    const next = toMovement(shapes, book);
    if (!next || next.id === movement.id || next.effortClass > movement.effortClass || found.has(next.id)) continue;
    if (isEasing || isNoHarder(next, movement)) found.set(next.id, { movement: next, shapes, more });
  }
  return [...found.values()].sort((a, b) => changeBetween(movement, a.movement) - changeBetween(movement, b.movement));
}

/** Asks for no more anywhere, and for less somewhere. */
function isNoHarder(next: Movement, than: Movement): boolean {
  const pairs = [
    ...JOINTS.map((j) => [next.demand[j], than.demand[j]] as const),
    [next.impact, than.impact] as const,
    [next.noise, than.noise] as const,
    [next.effortClass, than.effortClass] as const,
    [next.kit.length, than.kit.length] as const,
    [Number(next.isOverhead), Number(than.isOverhead)] as const,
    [Number(next.isOnFloor), Number(than.isOnFloor)] as const,
  ];
  return pairs.every(([a, b]) => a <= b) && pairs.some(([a, b]) => a < b);
}

/** Harder ones that are one change away: without what eases it, or with a weight. */
export function harderNeighbours(movement: Movement, book: NameBook): readonly Neighbour[] {
  const shapes = shapesOf(movement, book);
  if (shapes.length !== 1) return [];
  const [{ head, modifiers }] = shapes as readonly [Shape];
  const options = modifiers.filter((m) => m.eases).map((m) => without(modifiers, m));
  const weighted = byId.get('weighted')!;
  const bears = ['squat', 'lunge', 'hinge', 'brace'].includes(movement.pattern) && !hasWeight(movement);
  if (bears && movement.effortClass < 5 && movement.impact === 0) options.push([...modifiers, weighted]);
  return options
    .map((next) => [{ head, modifiers: sortModifiers(next) }])
    .flatMap((next) => {
      const harder = toMovement(next, book);
      return harder && harder.id !== movement.id && harder.effortClass >= movement.effortClass
        ? [
            {
              movement: harder,
              shapes: next,
              more:
                (modifiers.length > next[0]!.modifiers.length ? modifiers.find((m) => m.eases)?.off : weighted.says) ??
                '',
            },
          ]
        : [];
    })
    .sort((a, b) => changeBetween(movement, a.movement) - changeBetween(movement, b.movement));
}

const without = (modifiers: readonly Modifier[], one: Modifier) => modifiers.filter((m) => m !== one);

function toMovement(shapes: readonly Shape[], book: NameBook): Movement | undefined {
  const read = readShapes(shapes, book);
  return read && (isReading(read) ? book.keep(read) : read);
}

interface Option {
  readonly shapes: readonly Shape[];
  readonly more: string;
  /** Something that makes it easier is added; what it needs for that is no objection. */
  readonly isEasing: boolean;
}

function* easierShapes(movement: Movement, shapes: readonly Shape[]): Generator<Option> {
  for (const [i, { head, modifiers }] of shapes.entries()) {
    const change = (next: readonly Modifier[], more: string, isEasing: boolean): Option => ({
      shapes: shapes.with(i, { head, modifiers: sortModifiers(next) }),
      more,
      isEasing,
    });
    for (const m of modifiers) {
      if (m.eases) continue;
      yield change(without(modifiers, m), m.says, false);
      for (const id of m.easier ?? []) {
        const next = byId.get(id)!;
        if (next.takes(head) && !modifiers.includes(next))
          yield change([...without(modifiers, m), next], next.off ?? m.says, true);
      }
    }
    for (const { id, when } of EASINGS) {
      const next = byId.get(id)!;
      if (modifiers.includes(next) || !next.takes(head) || !when(shapes.length > 1 ? head : movement)) continue;
      // One of a family at a time: on the knees or with the hands raised; no weight is no dumbbell.
      const kept = modifiers.filter(
        (m) => m.family !== next.family && !(id === 'no-weight' && m.family === 'implement'),
      );
      yield change([...kept, next], next.off!, true);
    }
  }
  if (shapes.length > 1)
    for (const [i, shape] of shapes.entries())
      yield { shapes: shapes.toSpliced(i, 1), more: `and ${shape.head.name}`, isEasing: false };
}

/** How far two movements are apart, in grades. */
function changeBetween(a: Movement, b: Movement): number {
  const demands = JOINTS.reduce((sum, j) => sum + Math.abs(a.demand[j] - b.demand[j]), 0);
  const landing = Math.abs(a.impact - b.impact) + Math.abs(a.noise - b.noise);
  const shape =
    (a.isHold === b.isHold ? 0 : 4) + (a.isOneSided === b.isOneSided ? 0 : 1) + (a.pattern === b.pattern ? 0 : 2);
  return 10 * Math.abs(a.effortClass - b.effortClass) + demands + landing + shape;
}
