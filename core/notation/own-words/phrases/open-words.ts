import { SAID } from './spoken-numbers.ts';

/** Words that tell how much, how often or when: left over, they may have meant work. */
const OF_WORK = new RegExp(
  `\\d|\\b(?:${SAID.split('|')
    .filter((word) => word !== 'one')
    .join(
      '|',
    )}|rest(?:ing)?|repeat(?:ed|ing)?|swap|switch|alternat\\w*|superset\\w*|rounds?|rds?|sets?|reps?|minutes?|mins?|seconds?|secs?|twice|thrice|times|times through|until|till|amrap|e\\d?mom|tabata|rft|every|between|ladder|pyramid|as many|max|fail(?:ure)?|cap|relay|how (?:long|many|far)|as (?:long|far) as|kilos?|kg|lbs?|pounds?)\\b`,
  'i',
);

/** What leaves the number to whoever does it. */
const AS_ONE_LIKES = /\bas (?:many|much|long|often) as (?:feels?|you (?:like|want|need|wish))\b[\w ]*/gi;

/** Whether words that nothing took could be a number, a clock, a count or a rest: then it is asked. */
export const mayBeWork = (words: string): boolean => OF_WORK.test(words.replace(AS_ONE_LIKES, ''));
