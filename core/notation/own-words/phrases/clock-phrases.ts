import { MAX_DURATION_SEC, MAX_ROUNDS, MAX_SLOTS } from '../../../limits.ts';
import type { HeaderFacts } from './header-facts.ts';
import { D, N, N0, re, toNumber, toSeconds } from './spoken-numbers.ts';
import type { Strip } from './strip.ts';

const SEP = '[\\s,;:/&+.-]*';

/** Minutes, with or without saying so. */
export const M = `(?:${D}|${N})`;

export const isDuration = (sec: number): boolean => Number.isInteger(sec) && sec > 0 && sec <= MAX_DURATION_SEC;

export const numbersOf = (text: string): number[] => (text.match(/\d+/g) ?? []).map(Number);

export function takeIntervals(strip: Strip, facts: HeaderFacts): boolean {
  const ON = '(?:on|work(?:ing)?|effort|hard|go)';
  const OFF =
    '(?:off|rest(?:ing)?|change(?:[\\s-]?over)?|transition|switch|swap|recover(?:y)?|easy|pause|break|to change|to move on)';
  const list = '\\d{1,3}(?:\\s*/\\s*\\d{1,3})+';
  const one = `(?:${D}|\\d{1,3})`;
  const found =
    strip.take(
      re`\\b(${list})\\s*(?:seconds?|secs?|s)?\\s*(?:of )?${ON}\\b${SEP}(?:and |then |with )?(${list}|${one})\\s*(?:of )?${OFF}\\b`,
      'clock',
    ) ??
    strip.take(
      re`(?:^|[^\\w:])(${one})\\s*(?:of )?${ON}\\b${SEP}(?:and |then |with )?(${list}|${one})\\s*(?:of )?${OFF}\\b`,
      'clock',
    ) ??
    strip.take(
      re`\\bwork(?:ing)?\\s*(?:for )?(${one})${SEP}(?:and |then )?${OFF}\\s*(?:for )?(${one}|${N})`,
      'clock',
    ) ??
    (/\bintervals?\b|\btimer\b|\br(?:oun)?ds?\b|\bx\s*\d|\bcircuit\b|\btimes\b/.test(strip.text) ||
    /^\W*\d{2}\s*\/\s*\d{2}\W*$/.test(strip.text)
      ? strip.take(
          /(?:^|[^\w/])(\d{2})\s*\/\s*(\d{2})(?![\d/])(?:\s*(?:seconds?|secs?|s)\b)?(?:\s*(?:intervals?|timer)\b)?/,
          'clock',
        )
      : undefined);
  if (found) {
    const sec = (text: string): number[] => (/^\d[\d\s/]*$/.test(text) ? numbersOf(text) : [toSeconds(text, 1)]);
    const [workSec, restSec] = [sec(found[1]!), sec(found[2]!)];
    if (![...workSec, ...restSec].every(isDuration)) return true;
    facts.time = { kind: 'intervals', workSec, restSec, stations: false };
    strip.take(re`\\b(?:${N})\\s*(?:exercises|moves|movements)\\b`, 'clock');
    if (strip.take(/\b(?:\d{1,2} |the )?stations?\b/, 'clock')) facts.time = { ...facts.time, stations: true };
    if (strip.take(/\b(?:for )?each(?: exercise| move| movement| one)?\b/, 'clock')) facts.isEachAlone = true;
    const times =
      strip.take(re`\\bx\\s*(${N})(?![\\w:])(?:\\s*(?:rounds?|sets?)\\b)?`, 'rounds') ??
      strip.take(re`(?:^|[^\\w])(${N0})\\s*x(?![\\w])`, 'rounds');
    if (times) facts.times = toNumber(times[1]!);
    return true;
  }
  const known = strip.take(/\btabata\b(?:\s*style\b)?/, 'clock');
  if (known) facts.time = { kind: 'intervals', workSec: [20], restSec: [10], total: 8, stations: false };
  return known !== undefined;
}

/** A length for each movement, perhaps with a change behind it: "45 seconds each, 15 seconds to move", "each move for 45 seconds". */
export function takeEach(strip: Strip, facts: HeaderFacts): boolean {
  const ONE = '(?:exercises?|movements?|moves?|stations?|ones?|items?)';
  const each =
    strip.take(
      re`(?<!x\\s*)(${D})\\s*(?:on |at |of |for )?(?:(?:each|per|every)\\s*${ONE}\\b|each(?=\\W*(?:$|:|,|;|with|then|and|-)))`,
      'clock',
    ) ??
    strip.take(
      re`\\b(?:each|every|all)\\s*(?:of the )?${ONE}\\s*(?:is |are |lasts? |goes |go )?(?:for |:|-|=)*\\s*(${D})`,
      'clock',
    );
  if (!each || !isDuration(toSeconds(each[1]!))) return false;
  const circuit = strip.take(re`\\b(?:an? )?circuit of (?:${N}) ${ONE}\\b|\\b(?:${N}) stations\\b`, 'clock');
  const CHANGE =
    '(?:off|rest(?:ing)?(?: between)?|change(?:[\\s-]?over)?|changing|transition|switch(?:ing)?|swap(?:ping)?|move(?: on)?|rotat(?:e|ing)|recover(?:y)?|break|set ?up|get (?:there|to the next(?: one)?))';
  const change =
    strip.take(re`(?:\\b(?:and|then|with|we)\\s+)*\\b${CHANGE}\\s*(?:for |of |:)?\\s*(${D})`, 'clock') ??
    strip.take(re`(?:\\b(?:and|then|with)\\s+)*(${D})\\s*(?:of |to |for )?${CHANGE}\\b`, 'clock');
  const restSec = change && isDuration(toSeconds(change[1]!)) ? toSeconds(change[1]!) : undefined;
  strip.take(re`\\b(?:${N})\\s*(?:exercises|moves|movements)\\b`, 'clock');
  const stations = /station/.test(`${circuit?.[0] ?? ''}${each[0]}`);
  facts.time = {
    kind: 'intervals',
    workSec: [toSeconds(each[1]!)],
    restSec: restSec === undefined ? [] : [restSec],
    stations,
  };
  facts.isMost =
    strip.take(/\bas many (?:reps )?as (?:possible|you can)(?: (?:in|do))*|\bmax(?:imum)? reps\b/, 'clock') !==
    undefined;
  return true;
}

/** From this length on "every … for 5 rounds" means the whole list each time (common practice). */
const LONG_SLOT_SEC = 120;

export function takeSlots(strip: Strip, facts: HeaderFacts): boolean {
  const named = strip.take(/\b(?:e(\d)?mom)(?![a-z])/, 'clock');
  const every =
    named ??
    strip.take(
      re`\\b(?:on |at )?every\\s*(${D}|(?:other |2nd |second )?minute|${N}\\s*min)(?:\\s*,?\\s*on the (?:${N}[\\s-]*)?min(?:ute)?s?)?`,
      'clock',
    ) ??
    strip.take(/\bon the (?:minute|min)(?:\s*every minute)?\b/, 'clock');
  if (!every) return false;
  const slotSec = named
    ? Number(named[1] ?? 1) * 60
    : every[1] === undefined || every[1] === 'minute'
      ? 60
      : /^(?:other|2nd|second)/.test(every[1])
        ? 120
        : toSeconds(every[1]);
  if (!isDuration(slotSec)) return true;
  const counted = strip.take(
    re`\\b(?:for |of )?(${N})\\s*(rounds?|sets?|times)\\b|\\bx\\s*(${N})(?!\\s*(?:min|sec|s\\b|:))`,
    'rounds',
  );
  const lasting = counted
    ? undefined
    : (strip.take(re`(?:\\b(?:for|of|x|:|in)\\s*)?(${D})(?:\\s*(?:total|in all|long))?`, 'clock') ??
      strip.take(re`(?:\\b(?:for)\\s*)?\\b(${N})`, 'clock'));
  const totalSec = lasting ? toSeconds(lasting[1]!) : 0;
  const count = counted ? toNumber(counted[1] ?? counted[3]!) : 0;
  if (counted?.[2]?.startsWith('round')) {
    facts.slotRounds = count;
    if (slotSec >= LONG_SLOT_SEC) facts.holdsAll = true;
  }
  if (counted && !counted[2]?.startsWith('round') && slotSec >= LONG_SLOT_SEC && named) {
    // "E2MOM x 8" on a board: all that is below it, eight times.
    facts.mayHoldAll = true;
  }
  const slots = count > 0 ? count : totalSec >= slotSec ? Math.floor(totalSec / slotSec) : 0;
  facts.lacksLength = slots === 0;
  facts.time = { kind: 'slots', slotSec, slots: Math.min(MAX_SLOTS, slots === 0 ? 10 : slots) };
  return true;
}

export function takeSpan(strip: Strip, facts: HeaderFacts): boolean {
  const together = facts.partners
    ? strip.take(re`\\b(?:for )?(${D})\\s*(?:in all|total|altogether)?`, 'clock')
    : undefined;
  if (together && isDuration(toSeconds(together[1]!))) {
    facts.time = { kind: 'span', sec: toSeconds(together[1]!) };
    return true;
  }
  const many =
    'amrap|a\\.m\\.r\\.a\\.p\\.?|as many (?:rounds|reps|times)(?: and reps)?(?: as (?:possible|you can(?: do| manage)?))?';
  const found =
    strip.take(re`\\b(${M})\\s*(?:of )?(?:${many})(?![\\w])`, 'clock') ??
    strip.take(
      re`\\bas many (?:rounds|reps|times)(?: and reps)? as (?:possible|you can)(?: do| manage| get)?(?:\\s*(?:in|for|within)\\s*(?:the )?(${M}))?`,
      'clock',
    ) ??
    strip.take(re`\\b(?:${many})(?:\\s*(?:in|for|of|x|:|-|,|\\()*\\s*(?:the )?(${M})\\)?)?`, 'clock') ??
    strip.take(
      re`\\bhow (?:many (?:rounds|times)|far) can you (?:do|get|manage|complete|go)?\\s*(?:in |for )?(${M})`,
      'clock',
    ) ??
    strip.take(
      re`\\b(?:keep (?:going|moving)|carry on|go round|go through it|repeat)\\s*(?:for|until)\\s*(?:the )?(${D})`,
      'clock',
    );
  const span =
    found ??
    strip.take(re`^\\W*(?:for|in)\\s+(?:the next )?(${D})(?=\\W*(?:$|:))`, 'clock') ??
    strip.take(re`\\b(?:repeat|go round|keep going|carry on)[^\\d\\u0001]{0,40}?\\(?(${D})\\)?\\W*$`, 'clock');
  if (!span) return false;
  strip.take(
    /[\s,;-]*\b(?:(?:and )?keep (?:going|moving)(?: round)?|(?:until|till) (?:the )?time(?:'s| is) up|round and round)\b/,
    'clock',
  );
  const again =
    span[1] === undefined ? strip.take(re`\\b(?:${many})\\s*(?:in|for|:)?\\s*(?:the )?(${M})`, 'clock') : undefined;
  const length = span[1] ?? again?.[1] ?? strip.take(re`(?:\\b(?:in|for|of|:)\\s*)?(${D})`, 'clock')?.[1];
  const sec = length === undefined ? 0 : toSeconds(length);
  facts.lacksLength = !isDuration(sec);
  facts.time = { kind: 'span', sec: isDuration(sec) ? sec : 600 };
  return true;
}

export function takeWindows(strip: Strip, facts: HeaderFacts): boolean {
  const found =
    strip.take(re`\\b(${N0})\\s*(?:x\\s*)?(?:windows?|blocks?) of (${D})`, 'clock') ??
    strip.take(re`\\b(${N0})\\s*x\\s*(${D})\\s*windows?`, 'clock');
  if (!found) return false;
  const [windows, windowSec] = [toNumber(found[1]!), toSeconds(found[2]!)];
  if (windows >= 1 && windows <= MAX_ROUNDS && isDuration(windowSec))
    facts.time = { kind: 'windows', windows, windowSec, restSec: 0 };
  return true;
}
