import { MAX_DURATION_SEC } from '../../../limits.ts';
import type { HeaderFacts } from './header-facts.ts';
import { D, N0, re, toNumber, toSeconds } from './spoken-numbers.ts';
import type { Strip } from './strip.ts';

const UNTIL_FAILURE =
  /[\s,.…-]*(?:and so on[\s,]*)?\b(?:until|till|to)\s+(?:you (?:can't|cannot|can not|fail)(?: (?:any ?more|keep up|finish|make it|do it|any longer|go on|in time))*|failure|it (?:can't be done|doesn't fit)(?: in time)?|you (?:run out of time|don't make it))\b/;

/** Takes a clock in which every turn asks for more than the one before it: "death by burpees", "one more each minute". */
export function takeClimb(strip: Strip, facts: HeaderFacts): boolean {
  const grows =
    strip.take(
      re`\\b(?:add(?:ing)?|plus|increase by)\\s*(${N0}|an?)\\s*(?:more |extra )?(?:reps? )?(?:each|every|per|a)\\s*(minute|${D})`,
      'clock',
    ) ?? strip.take(re`\\b(${N0})\\s*(?:more|extra)\\s*(?:reps? )?(?:each|every|per)\\s*(minute|${D})`, 'clock');
  if (!grows && !strip.take(/\bdeath by\b/, 'clock')) return false;
  const step = grows && !/^an?$/.test(grows[1]!) ? toNumber(grows[1]!) : 1;
  const slotSec = grows && grows[2] !== 'minute' ? toSeconds(grows[2]!) : 60;
  const start = strip.take(re`\\b(?:start(?:ing)?|begin(?:ning)?)\\s*(?:with|at|from|on)\\s*(${N0})\\b`, 'count');
  strip.take(UNTIL_FAILURE, 'clock');
  if (slotSec < 10 || slotSec > MAX_DURATION_SEC || step < 1) return true;
  facts.time = { kind: 'climb', start: start ? toNumber(start[1]!) : step, step, slotSec };
  return true;
}

/** Words that say when a climb ends; they say nothing where there is none. */
export const takeClimbEnd = (strip: Strip): boolean => strip.take(UNTIL_FAILURE, 'clock') !== undefined;

/** Takes a total that is gathered in as many parts as it takes: "accumulate 100 squats, break it up as you like". */
export function takeAccumulate(strip: Strip, facts: HeaderFacts): boolean {
  const own = '(?:you (?:like|want|need|wish|please|see fit)|needed|necessary|it takes|feels right)';
  const found = [
    strip.take(/\b(?:accumulate|collect|rack up|clock up)\b/, 'clock'),
    strip.take(
      re`[\\s,(]*\\b(?:break|split|divide|partition|share)(?:ing)?\\s*(?:it|them|that|these|this|the (?:reps|work|numbers))?\\s*(?:up )?(?:however|as|any ?way|how)\\s*${own}\\)?`,
      'clock',
    ),
    strip.take(re`[\\s,(]*\\bin (?:as many|however many) (?:sets|parts|goes|rounds) as ${own}\\)?`, 'clock'),
    strip.take(re`[\\s,(]*\\bin (?:any|whatever|whichever) order(?: ${own})?\\)?`, 'clock'),
  ];
  if (!found.some(Boolean)) return false;
  facts.gathers = true;
  return true;
}

/** Takes words that say one of two partners works while the other doesn't. */
export function takePartners(strip: Strip, facts: HeaderFacts): void {
  const found = strip.take(
    /\b(?:one|1|partner a|a)(?: partner| person)? (?:works?|goes|exercises|is working|on)\b[\s,/&-]*(?:while |and |as |then )?(?:the )?(?:other|1|one|partner b|b|second)(?: one| partner| person)? (?:rests?|recovers?|watch(?:es)?|waits?|counts?|holds?|is resting|off)\b/,
    'group',
  );
  if (!found) return;
  facts.partners = true;
  // By the clock they swap otherwise than the notation says: kept as words, and asked.
  const swap =
    re`[\\s,;.-]*(?:and |then )*(?:swap|switch|change)(?: over)?(?: places)?\\s*(?:every|after)\\s*(?:${D}|minute)`.exec(
      strip.text,
    );
  if (swap) {
    facts.swaps = strip.original(swap.index, swap.index + swap[0].length).replace(/^[\s,;.-]+/, '');
    strip.takeRange(swap.index, swap.index + swap[0].length, 'unread');
  }
  strip.take(
    /[\s,;.-]*(?:and |then )*(?:swap|switch|change)(?: over)?(?: places)?\s*(?:each|every|after (?:each|every|a)|when (?:you|they) (?:finish|are done with|complete)(?: (?:a|the|each))?)\s*(?:full )?(?:rounds?|sets?|list)\b/,
    'group',
  );
  strip.take(/\b(?:in )?(?:teams?|groups?) of (?:2|two)\b|\b(?:in |with )?(?:partners?|pairs?|twos)\b/, 'group');
}
