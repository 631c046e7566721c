/** The most letters of free words in one quotation. */
const MOST_LETTERS = 200;

/** Words in parts that the notation takes, none of them lost; parted between two words, unless one alone is longer. */
export function inParts(words: string): string[] {
  const parts: string[] = [];
  let rest = [...words.trim()];
  while (rest.length > MOST_LETTERS) {
    const blank = rest.slice(0, MOST_LETTERS + 1).findLastIndex((letter) => /\s/.test(letter));
    const at = blank > 0 ? blank : MOST_LETTERS;
    parts.push(rest.slice(0, at).join('').trim());
    rest = [...rest.slice(at).join('').trim()];
  }
  return [...parts, rest.join('')].filter((part) => part !== '');
}
