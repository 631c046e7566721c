/** Places rather than things: part of the plan's kit, but never announced as something to bring. */
export const PLACES: readonly string[] = ['wall', 'floor', 'doorway'];

/** One thing by many names: the first is the one it is kept under. */
const SAME: readonly (readonly string[])[] = [
  ['weight', 'free weight', 'hand weight'],
  ['bottle', 'water bottle', 'water jug'],
  ['dumbbell', 'dumbell', 'db'],
  ['kettlebell', 'kettle bell', 'kb'],
  ['barbell', 'bb', 'ez bar'],
  ['plate', 'weight plate'],
  ['medicine ball', 'med ball', 'slam ball', 'wall ball', 'mb'],
  ['exercise ball', 'gym ball', 'stability ball', 'balance ball'],
  ['rucksack', 'backpack', 'loaded bag'],
  ['sandbag', 'sand bag'],
  ['chair', 'sturdy chair', 'stool'],
  ['bench', 'weight bench', 'flat bench'],
  ['box', 'jump box', 'plyo box'],
  ['step', 'stair', 'low step', 'bottom stair', 'aerobic step'],
  ['band', 'resistance band', 'long band', 'tube'],
  ['loop band', 'mini band', 'loop', 'mini loop', 'booty band'],
  ['rope', 'skipping rope', 'jump rope'],
  ['heavy rope', 'battle rope'],
  ['towel', 'hand towel'],
  ['slider', 'glider', 'sliding disc'],
  ['roller', 'foam roller'],
  ['stick', 'broomstick', 'dowel'],
  ['mat', 'exercise mat', 'yoga mat'],
  ['bar', 'pull-up bar', 'chin-up bar'],
  ['strap', 'suspension strap', 'ring', 'suspension trainer'],
  ['cable machine', 'cable', 'pulley'],
  ['rowing machine', 'rower', 'row machine'],
  ['bike', 'exercise bike', 'stationary bike'],
];

/**
 * What does in place of what: a filled bottle is a light dumbbell (common practice; 1 litre of water is 1 kg), never a barbell; a
 * bench is as good as a chair, a chair too high for a step. Read: for the first, any of the others.
 */
const DOES_FOR: Readonly<Record<string, readonly string[]>> = {
  weight: ['bottle', 'dumbbell', 'kettlebell', 'plate', 'rucksack', 'sandbag', 'medicine ball'],
  bottle: ['weight', 'dumbbell', 'kettlebell', 'plate', 'rucksack'],
  dumbbell: ['weight', 'bottle', 'kettlebell', 'rucksack'],
  kettlebell: ['weight', 'dumbbell', 'bottle', 'rucksack'],
  plate: ['weight', 'dumbbell', 'kettlebell', 'bottle', 'medicine ball'],
  'medicine ball': ['weight', 'ball', 'dumbbell', 'bottle', 'rucksack'],
  sandbag: ['rucksack'],
  rucksack: ['sandbag'],
  ball: ['medicine ball'],
  chair: ['bench', 'box'],
  bench: ['chair', 'box'],
  step: ['box'],
  box: ['step', 'bench'],
  'loop band': ['band'],
  slider: ['towel'],
  stick: ['towel', 'band'],
  strap: ['bar'],
  'cable machine': ['band'],
};

const KEY_OF = new Map(SAME.flatMap(([key, ...others]) => others.map((o) => [o, key!] as const)));

/** A piece of kit as it is written: what it is, and how many, where that is said. */
export interface Piece {
  readonly key: string;
  /** Undefined where no number is said: `dumbbells`. */
  readonly count: number | undefined;
}

const NUMBER_WORDS: Readonly<Record<string, number>> = { a: 1, an: 1, one: 1, two: 2, three: 3, four: 4 };
const COUNTED = /^(?:(pairs?|a pair|1 pair)(?: of)? |(\d{1,3})\s*[x×]?\s+|(an?|one|two|three|four) )/;

const single = (words: string): string => {
  if (/(?:ch|x|sh)es$/.test(words)) return words.slice(0, -2);
  return words.endsWith('s') && !words.endsWith('ss') ? words.slice(0, -1) : words;
};

/** `2 bottles`, `a chair`, `1x band`, `a pair of dumbbells`, `gym mats`. */
export function readPiece(words: string): Piece {
  let bare = words
    .toLowerCase()
    .trim()
    .replace(/^some /, '');
  let count: number | undefined;
  for (let found = COUNTED.exec(bare); found; found = COUNTED.exec(bare)) {
    bare = bare.slice(found[0].length).trim();
    const said = found[1] ? 2 : found[2] ? Number(found[2]) : NUMBER_WORDS[found[3]!]!;
    count = count === undefined ? said : Math.max(count, said);
  }
  const one = single(bare);
  return { key: KEY_OF.get(one) ?? one, count };
}

/** One thing by one word: `2 water bottles` is bottle. */
export const kitKey = (words: string): string => readPiece(words).key;

/** How many a movement needs of a piece: one, where nothing is said. */
export const pieceCount = (words: string): number => readPiece(words).count ?? 1;

/** `bottle`, `2 bottles`, `2 boxes`. */
export const sayPiece = (key: string, count: number): string =>
  count === 1 ? key : `${count} ${key}${/(?:ch|x|sh)$/.test(key) ? 'es' : 's'}`;

const doesFor = (key: string): readonly string[] => (Object.hasOwn(DOES_FOR, key) ? DOES_FOR[key]! : []);

/** True where what was announced does for what is needed, and is enough of it where a number is said. */
export function servesAs(announced: string, needed: string): boolean {
  const [a, n] = [pieceOf(announced), pieceOf(needed)];
  if (a.key !== n.key && !doesFor(n.key).includes(a.key)) return false;
  return a.count === undefined || n.count === undefined || a.count >= n.count;
}

// The same few pieces are asked for at every fit.
const read = new Map<string, Piece>();
const MAX_READ = 1000;
function pieceOf(words: string): Piece {
  let piece = read.get(words);
  if (!piece) {
    piece = readPiece(words);
    if (read.size >= MAX_READ) read.clear();
    read.set(words, piece);
  }
  return piece;
}

/** Each thing once, as many as the hungriest needs: a bottle and 2 bottles are 2 bottles. In order of first appearance. */
export function joinKit(pieces: Iterable<string>): string[] {
  const most = new Map<string, string>();
  for (const words of pieces) {
    const { key, count = 1 } = pieceOf(words);
    const known = most.get(key);
    if (known === undefined || pieceCount(known) < count) most.set(key, words);
  }
  return [...most.values()];
}

/** The pieces that movements of a library ask for, places aside, by how many ask. */
export function kitPieces(movements: readonly { readonly kit: readonly string[] }[]): string[] {
  const counts = new Map<string, number>();
  for (const { kit } of movements)
    for (const piece of kit) {
      const { key } = pieceOf(piece);
      if (!PLACES.includes(key)) counts.set(key, (counts.get(key) ?? 0) + 1);
    }
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([piece]) => piece);
}

/** Household things that do, and one that doesn't (common practice). */
export const STAND_IN_WORDS: Readonly<Record<string, string>> = {
  bottle: 'a full bottle or a packed rucksack; 1 litre of water is 1 kg',
  dumbbell: 'a full bottle does where it is light',
  kettlebell: 'a dumbbell, or a rucksack held by its handle',
  chair: 'sturdy, against a wall; never a sofa',
  step: 'the lowest stair, the whole foot on it; never a sofa',
  band: 'a long band, firmly anchored',
  towel: 'a hand towel',
  rope: 'or turn your hands without one',
  bar: 'a firm bar that bears your weight',
  table: 'one that can’t tip; test it first',
};

/** Kit that is had in several weights: where no weight is written, one goes a step up or down in what one has. */
const WEIGHTS = ['weight', 'dumbbell', 'kettlebell', 'barbell', 'bottle', 'plate', 'medicine ball', 'sandbag'];

/** Whether a movement is done with something that is heavier or lighter. */
export const hasWeights = (movement: { readonly kit: readonly string[] } | undefined): boolean =>
  movement?.kit.some((k) => WEIGHTS.includes(kitKey(k))) ?? false;
