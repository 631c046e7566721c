import type { MovementLibrary } from '../../movement/library.ts';
import { formatClock } from '../../words/format-clock.ts';
import { beginsLikeHeader } from '../../text/header-start.ts';
import { D, re, toSeconds } from './phrases/spoken-numbers.ts';
import { fold } from './phrases/strip.ts';
import { plainItem, usualHeader } from './usual-spelling.ts';

/** A longer line tells a story. */
const MOST_LETTERS = 200;
const REST = re`^\\W*(?:(?:rest|break|recover|breathe)(?: for)? (${D})|(${D})(?: of)? (?:rest|break))\\W*$`;
/** What several movements of a line are set apart by. */
const PARTS = /[,;]|\s\+\s/;

/** The numbers of a text: a time as its seconds, with its minutes where it is whole ones. */
const numbersOf = (text: string): number[][] =>
  [...fold(text).matchAll(/(\d+):(\d\d)|\d+(?:\.\d+)?/g)].map(([whole, min, sec]) => {
    if (min === undefined) return [Number(whole)];
    const total = Number(min) * 60 + Number(sec);
    return total % 60 === 0 ? [total, total / 60] : [total];
  });

/** Whether each number of the words stands in the usual spelling, once for each time that it was said. */
function keepsNumbers(words: string, usual: readonly string[]): boolean {
  const left = numbersOf(usual.join(' '));
  return numbersOf(words).every((said) => {
    const at = left.findIndex((kept) => kept.some((n) => said.includes(n)));
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  });
}

/**
 * A line in natural words as lines of the notation, where it has one reading: `45 sec work, 15 sec rest` in a header, `alternating
 * reverse lunges`, `squat, hinge, side bend` (three items), `30 seconds rest`. Undefined where it has none, or more than one.
 */
export function naturalLine(
  words: string,
  as: 'header' | 'item',
  library: MovementLibrary,
): readonly string[] | undefined {
  const usual = words.length > MOST_LETTERS ? undefined : oneReading(words, as, library);
  return usual && keepsNumbers(words, usual) ? usual : undefined;
}

function oneReading(words: string, as: 'header' | 'item', library: MovementLibrary): readonly string[] | undefined {
  if (as === 'header') {
    const usual = beginsLikeHeader(words) ? usualHeader(words, library) : undefined;
    // The name of a part alone may be a movement's.
    return usual === undefined || usual.endsWith(': flow') ? undefined : [usual];
  }
  const rest = REST.exec(fold(words));
  if (rest) {
    const sec = toSeconds(rest[1] ?? rest[2]!);
    return sec > 0 ? [`${formatClock(sec)} rest`] : undefined;
  }
  const parts = words.split(PARTS).map((part) => part.trim());
  const each = parts.map((part) => plainItem(part, library));
  if (each.length > 1 && each.every((part) => part !== undefined)) return each;
  // One movement, and words on it: another movement among them would be lost.
  if (each.filter((part) => part !== undefined).length > 1) return undefined;
  const one = plainItem(words, library);
  return one === undefined ? undefined : [one];
}
