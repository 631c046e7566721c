import type { AttentionFacts, Evidence, Helped } from '../../core/record/attention/attention.ts';
import type { ActKind, AttentionCode } from '../../core/record/attention/attention-rules.ts';
import { capitalized, plural } from '../../core/words/words.ts';
import { STATE_WORDS } from './days.ts';

/** What a coach can do, as it is offered. */
export const ACT_WORDS: Record<ActKind, string> = {
  wrote: 'write to them',
  asked: 'ask how it is',
  excused: 'excuse these days',
  paused: 'pause from today',
  eased: 'a week of easier shapes',
  swapped: 'swap a movement',
  snoozed: 'ask me again in a week',
  seen: 'seen',
};
/** What a coach did. */
export const DONE_WORDS: Record<ActKind, string> = {
  wrote: 'wrote to them',
  asked: 'asked how it is',
  excused: 'excused days',
  paused: 'paused them',
  eased: 'made a week easier',
  swapped: 'swapped a movement',
  snoozed: 'put it off',
  seen: 'had seen it',
};

/** What a rule is called, when it speaks up, and the unit of what a coach can set. */
export const RULE_WORDS: Record<
  AttentionCode,
  { readonly name: string; readonly means: (threshold: number) => string; readonly unit?: string }
> = {
  pain: {
    name: 'Something hurts',
    means: (n) => `They said that something hurts, in the last ${n} days.`,
    unit: 'days',
  },
  bounced: {
    name: 'A message came back',
    means: () => 'Their address doesn’t take messages, so they may not know that a session is there.',
  },
  'never-started': {
    name: 'Never started',
    means: (n) => `The first ${n} due days went by and they have done none.`,
    unit: 'due days',
  },
  'missed-in-a-row': {
    name: 'Missed in a row',
    means: (n) => `The last ${n} due days weren’t done. One alone says nothing.`,
    unit: 'due days',
  },
  fading: {
    name: 'Does half of what they did',
    means: (n) => `Of the last seven due days they did ${n} % or less of the share that they did before.`,
    unit: '%',
  },
  'effort-high': {
    name: 'Everything they had, again and again',
    means: (n) => `Effort of ${n} or more three times running.`,
    unit: 'of 10',
  },
  'effort-rising': {
    name: 'The same work gets harder',
    means: (n) => `The same session felt harder each time, by ${n} or more over three times.`,
    unit: 'of 10',
  },
  'score-fell': {
    name: 'A retest went down',
    means: (n) => `The last score of a retest is ${n} % or more below the one before.`,
    unit: '%',
  },
  'far-more': {
    name: 'Does far more than asked',
    means: (n) => `${n} sessions or more beside what was due, within a week.`,
    unit: 'sessions',
  },
  back: {
    name: 'Back after a pause',
    means: () => 'They have done a session again after days away.',
  },
  'best-score': {
    name: 'Their best so far',
    means: () => 'A retest better than all before.',
  },
  'first-week': {
    name: 'First week complete',
    means: () => 'All that was due in their first week is done.',
  },
};

/** Whose ears a sentence is for: the coach's, or those of the person it is about. */
type Reader = 'coach' | 'person';

/** Why someone is on the list, in one sentence with its figures. */
export function attentionWords(facts: AttentionFacts, reader: Reader = 'coach'): string {
  const [they, their] = reader === 'coach' ? ['they', 'their'] : ['you', 'your'];
  switch (facts.code) {
    case 'never-started':
      return `${plural(facts.due, 'due day')} so far, none done yet.`;
    case 'missed-in-a-row':
      return `${facts.missed === 2 ? 'The last two due days' : `The last ${facts.missed} due days`} weren’t done; before that ${facts.doneBefore} of ${facts.dueBefore} were.`;
    case 'fading':
      return `${facts.done} of the last ${facts.due} due days done; before that ${facts.doneBefore} of ${facts.dueBefore}.`;
    case 'effort-high':
      return `Effort ${facts.efforts.join(', ')} in the last three sessions.`;
    case 'effort-rising':
      return `The same session felt like ${facts.efforts.join(', then ')}.`;
    case 'score-fell':
      return `${facts.label}: ${facts.score}, after ${facts.before}.`;
    case 'best-score':
      return `${facts.label}: ${facts.score}, the best of ${facts.of}.`;
    case 'pain':
      return `${capitalized(facts.times === 1 ? they : `${facts.times} times ${they}`)} said that something hurts: ${facts.said}.`;
    case 'far-more':
      return `${plural(facts.sessions, 'session')} within a week that weren’t due.`;
    case 'first-week':
      return `All ${facts.sessions} sessions of ${their} first week are done.`;
    case 'back':
      return `Back after ${plural(facts.daysAway, 'day')} away.`;
    case 'bounced':
      return `The last message came back: ${facts.reason}.`;
  }
}

/** What about a day behind an item matters. */
export function evidenceWords(evidence: Evidence): string {
  switch (evidence.kind) {
    case 'effort':
      return `effort ${evidence.effort}`;
    case 'said':
      return evidence.words;
    case 'state':
      return STATE_WORDS[evidence.state];
  }
}

/** `since then 3 of 3 done, before 1 of 5`; nothing where no due day has come since. */
export const helpedWords = (h: Helped): string =>
  h.due === 0 ? '' : `since then ${h.done} of ${h.due} done, before ${h.doneBefore} of ${h.dueBefore}`;

/** A message's beginning for what was found, in a coach's words with the facts filled in; never a scolding, and no catching up asked. */
export function draftNote(
  { code, toThem }: { readonly code: AttentionCode; readonly toThem: string },
  { name, coach, programme }: { readonly name: string; readonly coach: string; readonly programme: string },
): string {
  const first = name.split(' ')[0] ?? name;
  const say = (...lines: readonly string[]) => `${first},\n\n${lines.join('\n\n')}\n\n${coach}`;
  switch (code) {
    case 'pain':
      return say(
        `${toThem} Leave out whatever brings it back; there is always another movement, and a rest is fine too.`,
        'If it is sharp, in a joint, or gets worse, please have it looked at before you go on. How is it today?',
      );
    case 'bounced':
      return say('The last message came back. Is there another address that I should use?');
    case 'never-started':
      return say(
        `${programme} has begun, and your place is kept. Nothing needs catching up: start with today’s session, in the easiest shape that is offered.`,
        'Is anything in the way that I can change? Time, space, a movement?',
      );
    case 'missed-in-a-row':
    case 'fading':
      return say(
        'I noticed it has been quieter on your side. No need to catch up, and one session of any length counts.',
        'Would easier shapes help for a week, or a pause? Tell me which and I set it.',
      );
    case 'effort-high':
    case 'effort-rising':
      return say(
        `${toThem} That is a lot. Next time take the easier shape and stop with two good repetitions left.`,
        'How do you sleep, and is anything sore?',
      );
    case 'score-fell':
      return say(`${toThem} A single day says little. How was the week around it?`);
    case 'far-more':
      return say(
        `${toThem} I like the appetite; the days between are part of the plan, though. Keep one of them free this week?`,
      );
    case 'first-week':
      return say(`${toThem} That is the hardest one. Well begun.`);
    case 'best-score':
      return say(`${toThem} Well done.`);
    case 'back':
      return say('Good to see you back. Take the first days easier than you remember; the rest comes by itself.');
  }
}
