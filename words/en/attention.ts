import type { Helped } from '../../core/record/attention/attention.ts';
import type { AttentionFacts, Evidence } from '../../core/record/attention/history.ts';
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
  {
    readonly name: string;
    readonly means: (threshold: number) => string;
    readonly unit?: string;
    /** Which side of the threshold it speaks up on; absent: from it on. */
    readonly bound?: 'up to' | 'under';
  }
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
    means: (n) =>
      `Of the last seven due days they did ${n} % or less of the share that they did before, of five due days at least. Not while they are coming back: twice at least after three or more missed in a row, and two of three since.`,
    unit: '%',
    bound: 'up to',
  },
  low: {
    name: 'Does little, for weeks',
    means: (n) =>
      `In the last three weeks they did under ${n} % of six due days or more, also where they did the last one. Not where they were away in them, nor while they are coming back.`,
    unit: '%',
    bound: 'under',
  },
  'effort-high': {
    name: 'Everything they had, again and again',
    means: (n) => `Effort of ${n} or more three times running.`,
    unit: 'of 10',
  },
  'felt-above': {
    name: 'Feels harder than planned',
    means: (n) =>
      `Of the last five sessions with a planned effort (three at least) the middle one felt ${n} or more above it.`,
    unit: 'of 10',
  },
  'effort-rising': {
    name: 'The same work gets harder',
    means: (n) =>
      `The same session, or one of the same track with about the same load, felt harder each time beside its planned effort, by ${n} or more over three times.`,
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
  'felt-below': {
    name: 'Feels easier than planned',
    means: (n) =>
      `Of the last five sessions with a planned effort (three at least) the middle one felt ${n} or more below it.`,
    unit: 'of 10',
  },
  back: {
    name: 'Good to see them back',
    means: () =>
      'They have done a session again after days away, or two or three in a row after missing three due days or more.',
  },
  'best-score': {
    name: 'Their best so far',
    means: () => 'A retest better than all before, from the third on.',
  },
  'first-week': {
    name: 'First week complete',
    means: () => 'All that was due in their first week is done.',
  },
};

/** Whose ears a sentence is for: the coach's, or those of the person it is about. */
type Reader = 'coach' | 'person';

/** `6 was`, or `6, 7, 6 were` where they differ. */
const plannedWords = (planned: readonly number[]): string =>
  new Set(planned).size === 1 ? `${planned[0]} was` : `${planned.join(', ')} were`;

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
    case 'low':
      return `${facts.done} of ${plural(facts.due, 'due day')} done in the last three weeks.`;
    case 'felt-above':
    case 'felt-below':
      return `The last ${facts.efforts.length} sessions felt like ${facts.efforts.join(', ')}, where ${plannedWords(facts.planned)} planned: the middle one ${plural(facts.by, 'point')} ${facts.code === 'felt-above' ? 'more' : 'less'}.`;
    case 'effort-high':
      return `Effort ${facts.efforts.join(', ')} in the last three sessions.`;
    case 'effort-rising':
      return `${new Set(facts.planned).size <= 1 ? 'The same session' : 'Much the same session'} felt like ${facts.efforts.join(', then ')}${new Set(facts.planned).size <= 1 ? '' : `, where ${facts.planned.map((p) => p ?? '–').join(', then ')} were planned`}.`;
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
      return facts.after.kind === 'away'
        ? `Back after ${plural(facts.after.days, 'day')} away.`
        : `${capitalized(plural(facts.done, 'session'))} in a row after ${plural(facts.after.due, 'due day')} missed.`;
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
    case 'low':
      return say(
        'I noticed it has been quieter on your side. No need to catch up, and one session of any length counts.',
        'Would easier shapes help for a week, or a pause? Tell me which and I set it.',
      );
    case 'felt-below':
      return say(
        `${toThem} That looks like room to grow. Shall I make it a step harder, or does it suit you as it is?`,
      );
    case 'effort-high':
    case 'effort-rising':
    case 'felt-above':
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
