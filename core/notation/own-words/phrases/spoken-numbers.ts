/** Numbers and lengths of time as they are said: patterns for grammars, and what they come to. */

const WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
  'twenty-four': 24,
  'twenty-five': 25,
  thirty: 30,
  forty: 40,
  'forty-five': 45,
  'thirty-five': 35,
  fifty: 50,
  sixty: 60,
  'seventy-five': 75,
  eighty: 80,
  ninety: 90,
  hundred: 100,
};
/** Numbers in words, the longest first, as a pattern. */
export const SAID = Object.keys(WORDS)
  .sort((a, b) => b.length - a.length)
  .join('|');

/** A whole number in digits or as a word, whatever follows. */
export const N0 = `(?:\\d{1,5}|(?:${SAID}))`;
/** The same, where no letter follows. */
export const N = `${N0}(?![\\w])`;
/** How often, where it isn't a number: `twice`. */
const OFTEN: Readonly<Record<string, number>> = { once: 1, twice: 2, thrice: 3 };
export const TIMES = `(?:once|twice|thrice|${N0}\\s*(?:x|times?)(?![\\w]))`;

const HOURS = 'hours?|hrs?';
const MINUTES = "minutes?'?|mins?'?|min\\.|'(?!')";
const SECONDS = `seconds?'?|secs?'?|sec\\.|s|''|"`;
const DIGITS = `(?:\\d{1,4}(?:[.,]\\d{1,2})?|(?:${SAID}))`;
const UNITS = `(?:${HOURS}|${MINUTES}|${SECONDS})(?![\\w])`;
/** A length of time with its unit: `1:30`, `90 s`, `1 min 30`, `two minutes`, `half a minute`. */
export const D = `(?:(?<![\\d\\w]):\\d{2}(?!\\d)|\\d{1,3}:[0-5]\\d(?!\\d)(?:\\s*(?:minutes?|mins?)(?!\\w))?|half an? (?:minute|hour)|an? (?:minute|hour)(?: and a half)?|${DIGITS}\\s*-?\\s*${UNITS}(?:\\s*(?:and\\s+)?${DIGITS}\\s*(?:${SECONDS})(?![\\w]))?)`;

export const toNumber = (text: string): number => {
  const word = text.trim().toLowerCase();
  return WORDS[word] ?? Number(word.replace(',', '.'));
};

/** `twice`, `3 times`, `three x`. */
export const toTimes = (text: string): number => {
  const word = text.trim().toLowerCase();
  return OFTEN[word] ?? toNumber(word.replace(/\s*(?:x|times?)$/, ''));
};

/** Seconds of a text that `D` matches; a bare number counts `bareUnitSec` each. */
export function toSeconds(text: string, bareUnitSec = 60): number {
  const said = text.trim().toLowerCase();
  const bare = /^:(\d{2})$/.exec(said);
  if (bare) return Number(bare[1]);
  const clock = /^(\d{1,3}):([0-5]\d)/.exec(said);
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]);
  const unitOf = (unit: string): number =>
    new RegExp(`^(?:${HOURS})$`).test(unit) ? 3600 : new RegExp(`^(?:${SECONDS})$`).test(unit) ? 1 : 60;
  const article = /^(half )?an? (minute|hour)( and a half)?/.exec(said);
  if (article) return (article[2] === 'hour' ? 3600 : 60) * (article[1] ? 0.5 : article[3] ? 1.5 : 1);
  let sec = 0;
  let found = false;
  for (const [, number, unit] of said.matchAll(
    new RegExp(`(${DIGITS})\\s*-?\\s*((?:${HOURS}|${MINUTES}|${SECONDS}))(?![\\w])`, 'g'),
  )) {
    sec += toNumber(number!) * unitOf(unit!);
    found = true;
  }
  return found ? Math.round(sec) : toNumber(said) * bareUnitSec;
}

const compiled = new WeakMap<TemplateStringsArray, RegExp>();

/** A pattern that is made once, where it is first asked for. What stands in it is the same each time. */
export function re(strings: TemplateStringsArray, ...parts: readonly string[]): RegExp {
  let pattern = compiled.get(strings);
  if (!pattern) compiled.set(strings, (pattern = new RegExp(String.raw({ raw: strings }, ...parts), 'u')));
  return pattern;
}
