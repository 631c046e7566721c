/** A part of what a voice says at once; of several, the one that matters least is left out first. */
export interface SpokenPart {
  readonly words: string;
  /** 3: what a call is for; 2: what it can't well do without; 1: what helps; 0: what is pleasant. */
  readonly weight: 0 | 1 | 2 | 3;
  /** What stands between it and the part before it. */
  readonly after?: '. ' | ', ';
}

/** A voice at the rate that the clock asks for says a word in so many seconds (common practice: about 160 words a minute, no source). */
export const SEC_PER_WORD = 0.37;

/** How long a voice takes to say some words, in seconds. */
export const speechSec = (words: string): number =>
  words.split(/[\s-]+/u).filter((w) => /[\p{L}\p{N}]/u.test(w)).length * SEC_PER_WORD;

const joined = (parts: readonly SpokenPart[]): string =>
  parts.reduce((said, { words, after = '. ' }) => (said === '' ? words : `${said}${after}${words}`), '');

/**
 * What is said in `roomSec` seconds: all of it where there is time, else without the parts that matter least, from the last on. What a
 * call is for is said whole, however short the time.
 */
export function fitParts(parts: readonly SpokenPart[], roomSec: number): string {
  let left = parts.filter((p) => p.words !== '');
  for (;;) {
    const said = joined(left);
    const least = Math.min(...left.map((p) => p.weight));
    if (speechSec(said) <= roomSec || !(least < 3)) return said;
    const at = left.findLastIndex((p) => p.weight === least);
    left = left.filter((_, i) => i !== at);
  }
}
