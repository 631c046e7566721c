import type { Scale } from './scale.ts';
import { SHIPPED_SCALES } from './scale.ts';
import type { Ladder, LadderRow } from './ladder.ts';
import { LADDER_ROWS } from './library/ladders.ts';
import type { Lexicon } from './name/lexicon.ts';
import { buildLexicon } from './name/lexicon.ts';
import { parseName } from './name/parse-name.ts';
import type { NameBook, NameReading } from './name/read-name.ts';
import { isReading, readName } from './name/read-name.ts';
import { SHELF } from './library/shelf.generated.ts';
import type { Movement } from './movement.ts';
import { movementId } from './movement.ts';
import { toMovement } from './shelf.ts';

/** A set of movements that can be asked by id and by any of their names. */
export interface MovementLibrary {
  readonly movements: readonly Movement[];
  readonly ladders: readonly Ladder[];
  /** Scales of resistance, the coach's own first. */
  readonly scales: readonly Scale[];
  /** By id: of the shelf, or read from the name that the id spells. */
  find(id: string): Movement | undefined;
  /** By id, of the shelf alone. */
  findOnShelf(id: string): Movement | undefined;
  /** By name or other name, in any case, with blanks or dashes, in singular or plural; else as its words say. */
  findByName(name: string): Movement | undefined;
  /** Whether a name is one of the shelf's own: those go before any other reading of a line. */
  has(name: string): boolean;
  /** What a name says that stands on no shelf; undefined for the shelf's own names, and for words that name no movement. */
  read(name: string): NameReading | undefined;
  /** What a movement that was read is made of, by its id. */
  readingOf(id: string): NameReading | undefined;
  readonly book: NameBook;
}

/** Spellings remembered at a time. */
const MAX_ASKED = 2000;
/** A longer id is none of a name that can be read. */
const MAX_READ_ID = 120;

/** A name as it is compared: case, apostrophes and the kind of dash don't matter. */
export const nameKey = (name: string) =>
  name
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[\s\p{Pd}]+/gu, ' ')
    .trim();

/** Throws where a ladder has a step that is no movement, or one twice. */
function checkLadders(ladders: readonly Ladder[], find: (id: string) => Movement | undefined): void {
  for (const ladder of ladders) {
    for (const { movementId: id } of ladder.steps)
      if (!find(id)) throw new RangeError(`the ladder ${ladder.id} has a step ${id}, which is no movement`);
    if (new Set(ladder.steps.map((s) => s.movementId)).size < ladder.steps.length)
      throw new RangeError(`the ladder ${ladder.id} comes back to a step it had`);
  }
}

/** Builds the look-up. Two movements that share a name, or a step that is no movement, are a RangeError that names them. */
export function buildLibrary(
  movements: readonly Movement[],
  ladders: readonly Ladder[] = [],
  scales: readonly Scale[] = SHIPPED_SCALES,
): MovementLibrary {
  const byId = new Map<string, Movement>();
  const byName = new Map<string, Movement>();
  for (const movement of movements) {
    if (byId.has(movement.id)) throw new RangeError(`two movements have the id ${movement.id}`);
    byId.set(movement.id, movement);
    for (const name of [movement.name, ...movement.otherNames]) {
      const key = nameKey(name);
      if (byName.has(key))
        throw new RangeError(`"${name}" names two movements: ${byName.get(key)!.id} and ${movement.id}`);
      byName.set(key, movement);
    }
  }
  for (const movement of movements) {
    for (const part of movement.parts)
      if (!byId.has(part)) throw new RangeError(`${movement.id} is made of ${part}, which is no movement`);
  }
  // A plan asks for the same spellings over and over; folding them is most of its cost.
  const asked = new Map<string, Movement | undefined>();
  const lookUp = (key: string): Movement | undefined =>
    byName.get(key) ??
    (key.endsWith('es') ? byName.get(key.slice(0, -2)) : undefined) ??
    (key.endsWith('s') ? byName.get(key.slice(0, -1)) : undefined);
  // The words to read with are gathered when the first unknown name is asked for.
  let lexicon: Lexicon | undefined;
  const book: NameBook = {
    get lexicon() {
      return (lexicon ??= buildLexicon(movements, parseName));
    },
    cautions: SHELF.cautions,
    breathing: SHELF.breathing,
    known: new Map(),
    find: (id) => byId.get(id),
    shapesOf: (id) => readingOf(id)?.shapes,
    keep: (reading) => keep(reading)!,
  };
  const readings = new Map<string, NameReading>();
  const keep = (read: Movement | NameReading | undefined): Movement | undefined => {
    if (read === undefined || !isReading(read)) return read;
    const own = byId.get(read.movement.id);
    if (own) return own;
    const known = readings.get(read.movement.id);
    if (known) return known.movement;
    if (readings.size >= MAX_ASKED) readings.clear();
    readings.set(read.movement.id, read);
    return read.movement;
  };
  const findByName = (name: string): Movement | undefined => {
    if (asked.has(name)) return asked.get(name);
    const found = lookUp(nameKey(name)) ?? keep(readName(name, book));
    if (asked.size >= MAX_ASKED) asked.clear();
    asked.set(name, found);
    return found;
  };
  const find = (id: string): Movement | undefined => {
    const known = byId.get(id) ?? readings.get(id)?.movement;
    if (known || id.length > MAX_READ_ID) return known;
    const read = findByName(id.replaceAll('-', ' '));
    return read?.id === id ? read : undefined;
  };
  checkLadders(ladders, find);
  const readingOf = (id: string) => (find(id) && !byId.has(id) ? readings.get(id) : undefined);
  return {
    movements,
    ladders,
    scales,
    book,
    find,
    findOnShelf: (id) => byId.get(id),
    findByName,
    has: (name) => lookUp(nameKey(name)) !== undefined,
    readingOf,
    read: (name) => {
      const found = findByName(name);
      return found && readingOf(found.id);
    },
  };
}

const toLadder = ([id, name, steps]: LadderRow): Ladder => ({
  id,
  name,
  steps: steps.map(([movement, change]) => ({ movementId: movementId(movement), change })),
});

/** The movements and ladders that ship with Ysodos. */
export const baseLibrary: MovementLibrary = buildLibrary(
  SHELF.rows.map((row) => toMovement(row, SHELF.cautions, SHELF.breathing)),
  LADDER_ROWS.map(toLadder),
);
