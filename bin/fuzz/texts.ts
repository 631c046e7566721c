import { pick, seededRandom } from '../../demo/random.ts';

/** Texts for readers: their own samples cut, doubled, joined and spoiled, by a seed that makes the same again. */
export interface Texts {
  readonly next: (samples: readonly string[]) => string;
  /** Of each sample, and of what wears readers down, a text of so many letters. */
  readonly large: (samples: readonly string[]) => ((letters: number) => string)[];
}

/** What readers stumble over: signs that open, join and end things, numbers at their bounds, letters of other scripts, halves of letters. */
const SPOILERS = [
  ...'()[]{}<>"\'“”,;:/\\|#@%&*+-–—=~^_.!?$§°\t\n\r\0\u0007\u00a0\u2028\u200b\u202e\ud83d',
  '\r\n',
  '\n\n',
  '-->',
  '->',
  '…',
  '×',
  '½',
  '٣',
  '１０',
  'é',
  'ß',
  'İ',
  '😀',
  '👩‍👧',
  '0',
  '-1',
  '1e309',
  '9007199254740993',
  '00:00',
  '99:99:99',
  '1-',
  ' each side',
  ' or ',
  ' and ',
  ' then ',
  'x'.repeat(300),
  ' '.repeat(300),
  '9'.repeat(40),
  '__proto__',
  'constructor',
  'null',
  'NaN',
];
const WEAR_DOWN = [
  '"',
  '"a,',
  '(',
  '[ ',
  ',',
  ' ',
  '\n',
  '\r\n',
  '-',
  '1-',
  '@',
  'a@',
  '<',
  ':',
  '#\n',
  'a ',
  '\ud83d',
  '":',
  '{"a":',
  '[',
];

const MOST_LETTERS = 3_000;

export function makeTexts(seed: number): Texts {
  const random = seededRandom(seed);
  const below = (n: number) => Math.floor(random() * n);
  const one = <T>(of: readonly T[]): T => pick(random, of);
  const spoil = (text: string, samples: readonly string[]): string => {
    const [at, to] = [below(text.length + 1), below(text.length + 1)].sort((a, b) => a - b) as [number, number];
    switch (below(7)) {
      case 0:
        return text.slice(0, at) + one(SPOILERS) + text.slice(at);
      case 1:
        return text.slice(0, at) + one(SPOILERS) + text.slice(to);
      case 2:
        return text.slice(0, at) + text.slice(to);
      case 3:
        return text.slice(0, to) + text.slice(at);
      case 4: {
        const other = one(samples);
        const from = below(other.length + 1);
        return text.slice(0, at) + other.slice(from, from + below(80)) + text.slice(at);
      }
      case 5:
        return text.slice(0, at) + text.slice(at, to).toUpperCase() + text.slice(to);
      default:
        return text.slice(0, at) + text.slice(at, Math.min(to, at + 12)).repeat(1 + below(12)) + text.slice(to);
    }
  };
  return {
    next(samples) {
      let text = one(samples);
      for (let n = 1 + below(6); n > 0; n--) text = spoil(text, samples).slice(0, MOST_LETTERS);
      return text;
    },
    large: (samples) =>
      [...samples, ...WEAR_DOWN, ...WEAR_DOWN.map((piece) => samples[0]!.slice(0, 40) + piece)].map(
        (piece) => (letters) => piece.repeat(Math.ceil(letters / piece.length)).slice(0, letters),
      ),
  };
}
