/**
 * Lengths of what people write, in whole characters (code points): an emoji counts one, as it does for the database, and a cut
 * never leaves half of one.
 */
export function countLetters(text: string): number {
  let count = 0;
  for (const _letter of text) count++;
  return count;
}

/** The first `most` characters of a text. */
export function cutLetters(text: string, most: number): string {
  if (text.length <= most) return text;
  let end = 0;
  for (let count = 0; count < most && end < text.length; count++) end += text.codePointAt(end)! > 0xffff ? 2 : 1;
  return text.slice(0, end);
}

/** Whether a text, where there is one, has at most so many characters: for schemas. */
export const hasAtMost =
  (most: number) =>
  (text: string | null | undefined): boolean =>
    text === null || text === undefined || countLetters(text) <= most;

/** Line breaks of every kind and control characters: of Unicode's Cc, Zl and Zp. */
const BREAKS = /[\p{Cc}\p{Zl}\p{Zp}]+/gu;

/** A text as one line: what breaks it, or is no letter, is a blank. */
export const foldToLine = (text: string): string => text.replace(BREAKS, ' ');

/** A text of several lines: each ends with a line feed, and there are no control characters but that and the tab. */
export const foldToLines = (text: string): string =>
  text.replace(/\r\n?|[\u0085\u2028\u2029]/g, '\n').replace(/[^\P{Cc}\n\t]/gu, '');
