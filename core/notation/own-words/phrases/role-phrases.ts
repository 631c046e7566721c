import type { Role } from '../../../document/document.ts';
import { SAID, re } from './spoken-numbers.ts';
import type { Strip } from './strip.ts';

/** What somebody says before naming what is done: "for the warm-up I want you doing …". */
const TALK =
  "(?:\\s+(?:(?:we|you)(?:'ll| will)?(?: be)?|i want you|i'd like you|let's|is|will be|it's)(?:\\s+(?:to\\s+)?(?:do|doing|have|go|be|an?))*)?";

/** One of several parts that are alike: "Round 1:". */
const PART =
  /^\s*(?:part|block|set|section|round|super-?set|tri-?set|giant set|circuit|group)\s+(?:[a-h]|\d)\b(?=\s*(?:$|[:(\u0001-]))/;

const ROLES: readonly [RegExp, Role][] = [
  [
    re`\\b(?:(?:for|to|as) )?(?:a |the |your |our )?(?:warm[\\s-]?ups?|wu|w\\/u|warming up|mobili[sz]ation|preparation|get ready|activation|primer)\\b${TALK}(?=\\s*(?:$|[:(,.\\u0001-]|\\d|once|twice|thrice|${SAID}))`,
    'Warm-up',
  ],
  [
    re`\\b(?:(?:for|to|as) )?(?:a |the |your |our )?(?:cool[\\s-]?downs?|cd|c\\/d|warm[\\s-]?down|stretch(?:es|ing)?(?: out)?|wind down)\\b${TALK}(?=\\s*(?:$|[:(,.\\u0001-]|\\d|${SAID}))`,
    'Cool-down',
  ],
  [/\b(?:the )?(?:finishers?|burn ?out|bonus|cash[\s-]?out)\b/, 'Finisher'],
  [/\b(?:finish(?: off)?|end) (?:with|by|on)\b/, 'Finisher'],
  [/^[^\p{L}]*(?:and )?(?:to (?:finish|end)(?: off)?|last thing|last of all)\b/u, 'Finisher'],
  [/\b(?:close|end|relax) with\b/, 'Cool-down'],
  [/\bwarm(?:ing)?[\s-]?up with\b/, 'Warm-up'],
  [/\bcool(?:ing)?[\s-]?down with\b/, 'Cool-down'],
  [/\b(?:the )?(?:skills?|technique|practice)\b(?=\s*(?:$|[:(\u0001-]))/, 'Skill'],
  [
    /\b(?:the )?(?:main(?: (?:set|part|session|block|work|workout|circuit))?|work ?out|wod|circuit|strength|conditioning|metcon|engine|session|hauptteil)\b(?=\s*(?:$|[:(\u0001-]))|\b(?:fitness|cardio)\b(?=\s*:)|\bhiit\b(?=\s*(?:$|[:(\u0001-]|\d))/,
    'Main',
  ],
  [PART, 'Main'],
];

/** Words for the main part that say nothing else of it; others name it. */
const PLAIN_MAIN = /main|work ?out|wod|session|circuit|part|block|set|section|round/;

/** Takes the part of the session that `strip` names, if it names one. */
export function takeRole(
  strip: Strip,
): { readonly role: Role; readonly isPart?: true; readonly label?: string } | undefined {
  // Of several the first in the line, and of those the first here.
  const places = ROLES.map(([pattern]) => pattern.exec(strip.text)?.index ?? Infinity);
  const first = Math.min(...places);
  for (const [i, [pattern, role]] of ROLES.entries()) {
    const found = places[i] === first ? strip.take(pattern, 'role') : undefined;
    if (!found) continue;
    const isNamed = role === 'Main' && !PLAIN_MAIN.test(found[0]);
    const isPart = pattern === PART;
    return {
      role,
      ...(isPart && { isPart: true as const }),
      ...(isNamed && { label: found[0].replace(/^the /, '').trim() }),
    };
  }
  return undefined;
}
