import { cutLetters } from '../../letters.ts';
import { joinKit } from '../kit.ts';
import type { Grade, Joint, Movement, Position } from '../movement.ts';
import { JOINTS, movementId } from '../movement.ts';
import type { CautionRow } from '../shelf.ts';
import { cautionsOf } from '../shelf.ts';
import { applyModifiers, isSaidAlready } from './apply-modifiers.ts';
import type { Lexicon, Shape } from './lexicon.ts';
import { isWeightImplement, shapeKey, withoutArticles } from './lexicon.ts';
import type { Modifier } from './modifier.ts';
import { FAMILIES } from './modifier.ts';
import { parseName } from './parse-name.ts';
import { nameWords } from './words.ts';

/** A movement that stands on no shelf: read from its name. What it says of itself is put into words when it is asked. */
export interface NameReading {
  readonly movement: Movement;
  /** What it is made of: one, or the parts of a compound. */
  readonly shapes: readonly Shape[];
  /** The movement of the shelf that each is nearest to. */
  readonly from: readonly Movement[];
  /** In a few words: `reverse lunge, then biceps curl; with weights`. */
  readonly said: string;
  /** Where the higher grade was taken, since a name doesn't say how much it asks: `shoulder`, `noise`. */
  readonly safeSide: readonly string[];
}

/** What a name is read with. */
export interface NameBook {
  readonly lexicon: Lexicon;
  readonly cautions: readonly CautionRow[];
  readonly breathing: Readonly<Record<string, string>>;
  find(id: string): Movement | undefined;
  /** What was read already, by what it is made of. */
  readonly known: Map<string, Movement | NameReading>;
  /** What a movement that was read is made of. */
  shapesOf(id: string): readonly Shape[] | undefined;
  /** Remembers a reading, so that its id finds it; the movement under that id. */
  keep(reading: NameReading): Movement;
}

export const READ_SOURCE = 'read from the name; common practice, no source';
const MAX_LINE = 200;
/** A movement's name has no more letters. */
const MAX_NAME_LETTERS = 80;
/** A part that is held lasts so long within a compound. */
/** Of the positions that a compound goes through, the first of these is the one that a person may have to spare. */
const POSITION_ORDER: readonly Position[] = [
  'prone',
  'supine',
  'hanging',
  'hands-and-knees',
  'kneeling',
  'standing',
  'seated',
];
const HELD_PART: Movement['paceSec'] = { low: 1, likely: 2, high: 3 };

/**
 * What a name says: a movement of the shelf where its words are one, else a reading. Undefined where words name no movement. A
 * name's own order of modifiers doesn't matter where what is said is the same.
 */
export function readName(name: string, book: NameBook): Movement | NameReading | undefined {
  const words = withoutArticles(nameWords(name));
  if (words.length === 0) return undefined;
  const shapes = parseName(words, book.lexicon);
  return shapes && readShapes(shapes, book, words.join(' '));
}

export const isReading = (read: Movement | NameReading): read is NameReading => 'shapes' in read;

/**
 * The movement or reading of shapes that are known. Its name is the usual one where that is read as the same again, else the words
 * that were written; undefined where there are none.
 */
export function readShapes(
  said: readonly Shape[],
  book: NameBook,
  written?: string,
): Movement | NameReading | undefined {
  const shapes = said.map(({ head, modifiers }) => ({
    head,
    modifiers: modifiers.filter((m) => !isSaidAlready(m, head)),
  }));
  // The same few shapes are read in many spellings.
  const key = shapes.map(shapeKey).join('+');
  const known = book.known.get(key);
  if (known) return known;
  const read = readNew(shapes, key, book, written);
  if (book.known.size >= MAX_KNOWN) book.known.clear();
  if (read) book.known.set(key, read);
  return read;
}

const MAX_KNOWN = 4000;

function readNew(
  shapes: readonly Shape[],
  key: string,
  book: NameBook,
  written: string | undefined,
): Movement | NameReading | undefined {
  const { lexicon } = book;
  if (shapes.length === 1) {
    const shape = shapes[0]!;
    const { from, left } = cover(shape, lexicon);
    if (left.length === 0) return from;
    return toReading({ movement: applyModifiers(from, left), shapes, from, heads: [from], written }, book);
  }
  const implements_ = [...new Set(shapes.flatMap((s) => s.modifiers.filter(isWeightImplement)))];
  const bare = shapes.map((s) => ({ ...s, modifiers: s.modifiers.filter((m) => !implements_.includes(m)) }));
  const known = lexicon.compoundOf(key) ?? lexicon.compoundOf(bare.map(shapeKey).join('+'));
  if (known) return readShapes([{ head: known, modifiers: implements_ }], book, written);
  const parts = shapes.map((shape) => {
    const { from, left } = cover(shape, lexicon);
    return { from, movement: left.length === 0 ? from : applyModifiers(from, left), name: nameOf(shape, lexicon) };
  });
  // The same once more is no compound: "squat squat".
  if (new Set(parts.map((p) => p.name)).size < parts.length) return undefined;
  const joined = joinParts(parts.map((p) => p.movement));
  const ids = parts.map((p) => movementId(p.name)).map((id) => book.find(id)?.id ?? id);
  return toReading(
    { movement: { ...joined, parts: ids }, shapes, from: joined, heads: parts.map((p) => p.from), written },
    book,
  );
}

/** A movement of the shelf with one of these is done with any weight. */
const ANY_WEIGHT = new Set(['weighted', 'bottle', 'dumbbell']);

export interface Cover {
  readonly from: Movement;
  /** What it doesn't say yet. */
  readonly left: readonly Modifier[];
  /** It is done with another weight than the one that is said. */
  readonly isSwapped: boolean;
}

/** The movement of the shelf that says most of a shape already, and what is left to be said. */
const covers = new WeakMap<Shape, Cover>();

export function cover(shape: Shape, lexicon: Lexicon): Cover {
  let known = covers.get(shape);
  if (!known) covers.set(shape, (known = findCover(shape, lexicon)));
  return known;
}

function findCover({ head, modifiers }: Shape, lexicon: Lexicon): Cover {
  let best: Cover & { score: number } = { from: head, left: modifiers, isSwapped: false, score: 0 };
  for (const known of lexicon.derivedFrom(head)) {
    let score = 0;
    let left: readonly Modifier[] = modifiers;
    let isSwapped = false;
    for (const own of known.modifiers) {
      if (left.includes(own)) {
        left = left.filter((m) => m !== own);
        // What a movement is goes before what it is done with.
        score += own.family === 'implement' ? 8 : 9 - FAMILIES.indexOf(own.family) / 10;
      } else if (ANY_WEIGHT.has(own.id) && left.some(isWeightImplement)) {
        score += 4;
        isSwapped = true;
      } else {
        score = -1;
        break;
      }
    }
    if (score > best.score) best = { from: known.movement, left, isSwapped, score };
  }
  return best;
}

/** The name of a shape: modifiers in the order the trade says them, what it is made from, what stands behind it. */
function nameOf(shape: Shape, lexicon: Lexicon): string {
  const { words, left } = baseOf(shape, lexicon);
  if (left.length === 0) return words;
  const before = left.filter((m) => !m.isBehind).sort((a, b) => spoken(a) - spoken(b));
  const behind = left.filter((m) => m.isBehind);
  return [...before.map((m) => m.name), words, ...behind.map((m) => m.name)].join(' ');
}

const longNameOf = (shapes: readonly Shape[], lexicon: Lexicon): string =>
  shapes.map((s) => nameOf(s, lexicon)).join(' and ');

/** With what is said of all parts said once, with the first: `dumbbell squat and curl`. */
function shortNameOf(shapes: readonly Shape[], lexicon: Lexicon): string {
  const [first] = shapes;
  const said = first!.modifiers.filter((m) => m.family === 'implement');
  return shapes
    .map((s, i) =>
      nameOf(i === 0 ? s : { head: s.head, modifiers: s.modifiers.filter((m) => !said.includes(m)) }, lexicon),
    )
    .join(' and ');
}

/** The plain words of what a shape is made from, and what is said beside them. */
function baseOf(shape: Shape, lexicon: Lexicon): { words: string; left: readonly Modifier[] } {
  const { from, left, isSwapped } = cover(shape, lexicon);
  if (left.length === 0) return { words: from.name, left };
  return isSwapped
    ? { words: lexicon.headName(shape.head), left: shape.modifiers }
    : { words: lexicon.headName(from), left };
}

/** `no-jump slow alternating single-arm seated dumbbell wide reverse hammer jump ...` */
const SPOKEN = [
  'taken away',
  'rhythm',
  'range',
  'sides',
  'support',
  'implement',
  'stance',
  'direction',
  'grip',
  'empty',
];
const spoken = (m: Modifier): number => (m.id === 'jump' ? 99 : SPOKEN.indexOf(m.family));

function saidOf(shapes: readonly Shape[], lexicon: Lexicon): string {
  const bases = shapes.map((s) => baseOf(s, lexicon));
  const heads = bases.map(({ words, left }) => [...left.filter(isOfMovement).map((m) => m.name), words].join(' '));
  const how = new Set(bases.flatMap(({ left }) => left.filter((m) => !isOfMovement(m)).map((m) => m.says)));
  return [heads.join(', then '), ...how].join('; ');
}

/** Directions and stances are said with the head, the rest behind it. */
const isOfMovement = (m: Modifier) =>
  !m.isBehind && (m.family === 'direction' || m.family === 'stance' || m.family === 'grip');

interface Assembled {
  readonly movement: Movement;
  readonly shapes: readonly Shape[];
  /** Whose words it is described with. */
  readonly from: Movement;
  readonly heads: readonly Movement[];
  readonly written: string | undefined;
}

/** True where a name is read as these shapes again. */
function readsBack(name: string, shapes: readonly Shape[], { lexicon }: NameBook): boolean {
  const again = parseName(withoutArticles(nameWords(name)), lexicon);
  return again?.length === shapes.length && again.every((s, i) => shapeKey(s) === shapeKey(shapes[i]!));
}

function toReading({ movement, shapes, from, heads, written }: Assembled, book: NameBook): NameReading | undefined {
  const { lexicon } = book;
  const name = [shortNameOf(shapes, lexicon), longNameOf(shapes, lexicon), written].find(
    (n) => n !== undefined && (n === written || readsBack(n, shapes, book)),
  );
  if (name === undefined || name.length > MAX_NAME_LETTERS) return undefined;
  const how = [...new Set(shapes.flatMap((s) => baseOf(s, lexicon).left.map((m) => m.says)))];
  const own = heads.flatMap((h) => h.cautions.filter((c) => !book.cautions.some(([, , words]) => words === c)));
  return {
    movement: {
      ...movement,
      id: movementId(name),
      name,
      otherNames: [],
      paceSource: READ_SOURCE,
      doing: cutLetters(shapes.length > 1 ? from.doing : [from.doing, ...how].join('; '), MAX_LINE),
      breathing: book.breathing[movement.pattern] ?? from.breathing,
      cautions: [...new Set([...own, ...cautionsOf(movement.demand, movement.impact, book.cautions)])],
      // A film shows the movement itself, not what is read of its name.
      film: '',
      drawing: '',
    },
    shapes,
    from: heads,
    get said() {
      return saidOf(shapes, lexicon);
    },
    get safeSide() {
      return higherThan(movement, heads);
    },
  };
}

/** Where a reading asks for more than any of what it is made from. */
function higherThan(movement: Movement, heads: readonly Movement[]): string[] {
  const most = (of: (m: Movement) => number) => Math.max(...heads.map(of));
  return [
    ...JOINTS.filter((j) => movement.demand[j] > most((m) => m.demand[j])),
    ...(movement.impact > most((m) => m.impact) ? ['impact'] : []),
    ...(movement.noise > most((m) => m.noise) ? ['noise'] : []),
    ...(movement.effortClass > most((m) => m.effortClass) ? ['effort'] : []),
  ];
}

/** Movements done one after the other and counted as one: each place is asked for as by the part that asks most. */
function joinParts(parts: readonly Movement[]): Movement {
  const hardest = parts.reduce((a, b) => (b.effortClass > a.effortClass ? b : a));
  const most = (of: (m: Movement) => number) => Math.max(...parts.map(of)) as Grade;
  const pace = (of: keyof Movement['paceSec']) =>
    Math.round(10 * parts.reduce((sum, m) => sum + (m.isHold ? HELD_PART : m.paceSec)[of], 0)) / 10;
  const [first] = parts as [Movement];
  const isHard = parts.filter((m) => m.effortClass >= 3).length > 1;
  return {
    ...hardest,
    isHold: false,
    isOneSided: parts.some((m) => m.isOneSided),
    isOverhead: parts.some((m) => m.isOverhead),
    isOnFloor: parts.some((m) => m.isOnFloor),
    position: POSITION_ORDER.find((p) => parts.some((m) => m.position === p)) ?? first.position,
    preparesWrists: false,
    demand: Object.fromEntries(JOINTS.map((j) => [j, most((m) => m.demand[j])])) as Record<Joint, Grade>,
    impact: most((m) => m.impact),
    noise: most((m) => m.noise),
    kit: joinKit(parts.flatMap((m) => m.kit)),
    effortClass: Math.min(5, hardest.effortClass + (isHard ? 1 : 0)) as Movement['effortClass'],
    paceSec: { low: pace('low'), likely: pace('likely'), high: pace('high') },
    setUp: first.setUp,
    doing: cutLetters(parts.map((m) => m.doing).join('; then: '), MAX_LINE),
    watchFor: hardest.watchFor,
  };
}
