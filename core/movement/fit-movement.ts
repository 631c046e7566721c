import { BoundedCache } from '../bounded-cache.ts';
import { PLACES, servesAs } from './kit.ts';
import type { MovementLibrary } from './library.ts';
import type { Movement, Pattern } from './movement.ts';
import { areaOf, PATTERNS } from './movement.ts';
import { easierNeighbours } from './name/neighbours.ts';
import type { OwnDose } from './own-dose.ts';
import type { Spare } from './spare.ts';
import { askedBits, SPARE_WORDS, SPARES, spareBits } from './spare.ts';

export type Level = 1 | 2 | 3 | 4 | 5;

/** What is known of a person for choosing the shape they can do. */
export interface FitPerson {
  /** At hand; undefined: nothing was said, so whatever is needed is taken to be there. */
  readonly kit?: readonly string[];
  /** The hardest effort class by pattern; absent: no limit. */
  readonly levels: Readonly<Partial<Record<Pattern, Level>>>;
  readonly spares: readonly Spare[];
  /** Agreed once and for all: movement ids. They go before everything but what is to be spared. */
  readonly swaps: readonly { readonly from: string; readonly to: string }[];
  /** Counts and weights of their own that hold now. */
  readonly doses?: readonly OwnDose[];
  /** How long a repetition takes them, times what is planned with; absent: as long. */
  readonly pace?: number;
}

export const ANYONE: FitPerson = { levels: {}, spares: [], swaps: [] };

/** What is no harder than this comes to mind for someone who comes back after a pause. */
const EASED_LEVEL = 3;

/** Someone for a lighter way back in: in every pattern a class easier than they usually do, and nothing hard. */
export const easePerson = (person: FitPerson): FitPerson => ({
  ...person,
  levels: Object.fromEntries(PATTERNS.map((p) => [p, Math.max(1, Math.min(EASED_LEVEL, (person.levels[p] ?? 5) - 1))])),
});

/** Agreed, a count or weight of their own, or an alternative that was written; else nearest first: another step of the ladder, the same pattern, the same area of the body, something calm. */
export type FitHow = 'agreed' | 'choice' | 'ladder' | 'pattern' | 'area' | 'calm' | 'own';

export interface MovementFit {
  readonly movement: Movement;
  readonly how: FitHow;
  /** Why the written movement is not for this person: `quiet floor`. */
  readonly reason: string;
}

interface Candidate {
  readonly movement: Movement;
  readonly how: Exclude<FitHow, 'agreed' | 'choice' | 'own'>;
}

/** Never asks for anything that can be spared, and needs no kit (docs/formulas.md 6: no promise, but something calm for everyone). */
const CALM = ['seated-march', 'calm-breathing'];

/** Orders remembered for a library: those of its shelf, and of what was read last. */
const MOST_ORDERS = 2000;
const orders = new WeakMap<MovementLibrary, BoundedCache<string, readonly Candidate[]>>();

/** What could stand in for a movement, best first; never anything of a higher effort class. Computed once for a library. */
export function standInOrder(movement: Movement, library: MovementLibrary): readonly Candidate[] {
  let known = orders.get(library);
  if (!known) {
    known = new BoundedCache(MOST_ORDERS);
    orders.set(library, known);
  }
  return known.get(movement.id, () => computeOrder(movement, library));
}

function computeOrder(movement: Movement, library: MovementLibrary): Candidate[] {
  const out: Candidate[] = [];
  const seen = new Set([movement.id]);
  const add = (candidate: Movement | undefined, how: Candidate['how']) => {
    if (!candidate || seen.has(candidate.id) || candidate.effortClass > movement.effortClass) return;
    seen.add(candidate.id);
    out.push({ movement: candidate, how });
  };
  const isOnLadder = library.ladders.some((l) => l.steps.some((s) => s.movementId === movement.id));
  if (!isOnLadder) for (const near of nearShapes(movement, library)) add(near, 'ladder');
  // Of what is read, the ladders of what it is made from.
  const from = library.readingOf(movement.id)?.from.map((m) => m.id) ?? [movement.id];
  const steps = from.flatMap((id) =>
    library.ladders.flatMap((ladder) => {
      const at = ladder.steps.findIndex((s) => s.movementId === id);
      return at < 0
        ? []
        : ladder.steps.map((s, i) => ({ id: s.movementId, far: Math.abs(i - at) + (i > at ? 0.5 : 0) }));
    }),
  );
  for (const { id } of steps.sort((a, b) => a.far - b.far)) add(library.find(id), 'ladder');
  const others = library.movements
    .map((m) => ({ m, far: distance(m, movement) }))
    .sort((a, b) => a.far - b.far || (a.m.id < b.m.id ? -1 : 1));
  for (const { m } of others) if (m.pattern === movement.pattern) add(m, 'pattern');
  for (const { m } of others) if (areaOf(m) === areaOf(movement)) add(m, 'area');
  for (const id of CALM) add(library.find(id), 'calm');
  return out;
}

/** The same movement with one thing left off or made easier, then with two. */
function nearShapes(movement: Movement, library: MovementLibrary): Movement[] {
  const once = easierNeighbours(movement, library.book);
  return [...once, ...once.flatMap((n) => easierNeighbours(n.movement, library.book))].map((n) => n.movement);
}

/** What a stand-in would need besides what the written movement needs: nobody has it at hand for that session. */
const furtherKit = (standIn: Movement, written: Movement): number =>
  standIn.kit.filter((piece) => !PLACES.includes(piece) && !written.kit.some((k) => servesAs(k, piece))).length;

const distance = (a: Movement, b: Movement): number =>
  furtherKit(a, b) +
  Math.abs(a.effortClass - b.effortClass) +
  (a.position === b.position ? 0 : 0.8) +
  (a.isHold === b.isHold ? 0 : 1.5) +
  (a.isOneSided === b.isOneSided ? 0 : 0.4) +
  (a.kit.some((k) => b.kit.includes(k)) || a.kit.length === b.kit.length ? 0 : 0.3);

const hasKit = (movement: Movement, kit: readonly string[] | undefined): boolean =>
  kit === undefined || movement.kit.every((piece) => PLACES.includes(piece) || kit.some((k) => servesAs(k, piece)));

/** Why a movement is not for this person; undefined where it is. */
export function findObstacle(movement: Movement, person: FitPerson): string | undefined {
  const clash = askedBits(movement) & spareBits(person.spares);
  if (clash !== 0) return SPARE_WORDS[SPARES[31 - Math.clz32(clash & -clash)]!];
  const level = person.levels[movement.pattern];
  if (level !== undefined && movement.effortClass > level) return `level ${level} of 5 in ${movement.pattern}`;
  if (!hasKit(movement, person.kit))
    return `no ${movement.kit.filter((piece) => !PLACES.includes(piece) && !person.kit!.some((k) => servesAs(k, piece))).join(', no ')} at hand`;
  return undefined;
}

/**
 * The movement that this person does in place of the written one: undefined where the written one is for them. Nearest
 * on its ladders first, then the same pattern, the same area, something calm; never harder, never anything that they
 * spare. Deterministic. A library whose calm movements are missing throws a RangeError.
 */
export function fitMovement(movement: Movement, person: FitPerson, library: MovementLibrary): MovementFit | undefined {
  const swap = person.swaps.find((s) => s.from === movement.id);
  const agreed = swap && library.find(swap.to);
  if (agreed && findObstacle(agreed, { ...person, levels: {} }) === undefined)
    return { movement: agreed, how: 'agreed', reason: 'as agreed' };
  const reason = findObstacle(movement, person);
  if (reason === undefined) return undefined;
  for (const candidate of standInOrder(movement, library)) {
    if (findObstacle(candidate.movement, person) === undefined) return { ...candidate, reason };
  }
  const calm = CALM.map((id) => library.find(id)).find(
    (m) => m && findObstacle(m, { ...person, levels: {} }) === undefined,
  );
  if (!calm) throw new RangeError(`the library has nothing calm for a person who spares ${person.spares.join(', ')}`);
  return { movement: calm, how: 'calm', reason };
}
