/**
 * A name as its words, folded so that the same name in other spellings is the same list: case, hyphens, plurals, British and
 * American words, the short forms of the trade.
 */

/** One spelling of a word for all of it. */
const ONE_WORD: ReadonlyMap<string, string> = new Map(
  Object.entries({
    db: 'dumbbell',
    dumbell: 'dumbbell',
    dumbel: 'dumbbell',
    kb: 'kettlebell',
    bb: 'barbell',
    barbel: 'barbell',
    mb: 'medicine ball',
    med: 'medicine',
    bw: 'bodyweight',
    alt: 'alternating',
    alternate: 'alternating',
    alternated: 'alternating',
    sl: 'single leg',
    sa: 'single arm',
    oh: 'overhead',
    rdl: 'romanian deadlift',
    sldl: 'stiff leg deadlift',
    sdhp: 'sumo deadlift high pull',
    bss: 'bulgarian split squat',
    ohp: 'overhead press',
    tgu: 'turkish get up',
    t2b: 'toe to bar',
    du: 'double under',
    pushup: 'push up',
    pressup: 'press up',
    situp: 'sit up',
    pullup: 'pull up',
    chinup: 'chin up',
    stepup: 'step up',
    stepdown: 'step down',
    stepover: 'step over',
    getup: 'get up',
    tuckup: 'tuck up',
    vup: 'v up',
    vsit: 'v sit',
    lsit: 'l sit',
    walkout: 'walk out',
    rollout: 'roll out',
    rollup: 'roll up',
    pulldown: 'pull down',
    pushdown: 'push down',
    sidestep: 'side step',
    deadhang: 'dead hang',
    wallsit: 'wall sit',
    kickbacks: 'kickback',
    kettlebells: 'kettlebell',
    curtsey: 'curtsy',
    bicep: 'biceps',
    tricep: 'triceps',
    quadriceps: 'quad',
    quadricep: 'quad',
    hamstrings: 'hamstring',
    glutes: 'glute',
    gluteal: 'glute',
    obliques: 'oblique',
    jackknive: 'jackknife',
    flye: 'fly',
    flies: 'fly',
    flyes: 'fly',
    calves: 'calf',
    tyre: 'tyre',
    tire: 'tyre',
    legged: 'leg',
    armed: 'arm',
    banded: 'band',
    plyometric: 'plyo',
    isometric: 'iso',
    bentover: 'bent over',
    sidelying: 'side lying',
    childs: 'child',
    farmers: 'farmer',
    woodchop: 'wood chop',
    windshield: 'windscreen',
    thoracic: 'thoracic',
    wtd: 'weighted',
    elevated: 'raised',
    backwards: 'backward',
    forwards: 'forward',
    sideways: 'sideways',
    one: 'single',
    '1': 'single',
    two: 'double',
    '2': 'double',
  }),
);

/** Words whose last `s` is their own. */
const KEEPS_S = new Set([
  'biceps',
  'triceps',
  'abs',
  'press',
  'cross',
  'less',
  'bus',
  'world',
  'greatest',
  'across',
  'pass',
  'hips',
]);

/** `lunges` lunge, `presses` press, `flies` fly, `boxes` box. */
function singular(word: string): string {
  if (word.length < 3 || KEEPS_S.has(word)) return word === 'hips' ? 'hip' : word;
  if (/(?:ch|sh|x|ss|zz)es$/.test(word)) return word.slice(0, -2);
  if (/[^aeiou]ies$/.test(word)) return `${word.slice(0, -3)}y`;
  return word.endsWith('s') && !/(?:ss|us|is)$/.test(word) ? word.slice(0, -1) : word;
}

const foldWord = (word: string): string => {
  const own = ONE_WORD.get(word);
  if (own !== undefined) return own;
  const one = singular(word);
  return ONE_WORD.get(one) ?? one;
};

/** The most words that a name has; longer texts are no name. */
export const MAX_NAME_WORDS = 14;

const folded = new Map<string, string>();
const MAX_FOLDED = 5000;

/** The folded words of a name; empty where it has more than a name has, or signs that none has. Linear in its length. */
export function nameWords(name: string): string[] {
  if (name.length > 120) return [];
  const plain = name
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/\bw\/(?=\s|$|\p{L})/u, 'with ')
    .replace(/[()]/g, ' ')
    .replace(/[+&]/g, ' and ')
    .replace(/[\s\p{Pd}_.]+/gu, ' ')
    .trim();
  if (plain === '' || /[^\p{L}\p{N} ]/u.test(plain)) return [];
  const words: string[] = [];
  for (const word of plain.split(' ')) {
    let fold = folded.get(word);
    if (fold === undefined) {
      fold = foldWord(word);
      if (folded.size >= MAX_FOLDED) folded.clear();
      folded.set(word, fold);
    }
    if (fold.includes(' ')) words.push(...fold.split(' '));
    else if (fold !== 's') words.push(fold);
    if (words.length > MAX_NAME_WORDS) return [];
  }
  return words;
}
