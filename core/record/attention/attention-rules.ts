/** What asks for a coach's attention, most pressing first. Nobody is scolded: most of these end in a question, some in a good word. */
export const ATTENTION_CODES = [
  'pain',
  'bounced',
  'never-started',
  'missed-in-a-row',
  'fading',
  'effort-high',
  'effort-rising',
  'score-fell',
  'far-more',
  'back',
  'best-score',
  'first-week',
] as const;
export type AttentionCode = (typeof ATTENTION_CODES)[number];
export const isAttentionCode = (text: string): text is AttentionCode => ATTENTION_CODES.some((c) => c === text);

/** What a coach can do about someone from the list. */
export const ACT_KINDS = ['wrote', 'asked', 'excused', 'paused', 'eased', 'swapped', 'snoozed', 'seen'] as const;
export type ActKind = (typeof ACT_KINDS)[number];
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

export interface AttentionRule {
  readonly name: string;
  /** When it speaks up, with the threshold in it as {n}. */
  readonly means: string;
  /** Weighs more, stands higher. */
  readonly weight: number;
  readonly isGood?: boolean;
  /** Once acted upon, it is quiet for a week, whatever comes. */
  readonly isSlow?: boolean;
  /** What a coach can set, and its unit. */
  readonly threshold?: { readonly usual: number; readonly low: number; readonly high: number; readonly unit: string };
  readonly acts: readonly ActKind[];
}

/** The rules, most pressing first. Thresholds are common practice, without a source; a coach can set each, or switch it off. */
export const ATTENTION_RULES: Record<AttentionCode, AttentionRule> = {
  pain: {
    name: 'Something hurts',
    means: 'They said that something hurts, in the last {n} days.',
    weight: 100,
    threshold: { usual: 7, low: 1, high: 28, unit: 'days' },
    acts: ['asked', 'swapped', 'eased', 'paused', 'snoozed', 'seen'],
  },
  bounced: {
    name: 'A message came back',
    means: 'Their address doesn’t take messages, so they may not know that a session is there.',
    weight: 90,
    acts: ['snoozed', 'seen'],
  },
  'never-started': {
    name: 'Never started',
    means: 'The first {n} due days went by and they have done none.',
    weight: 80,
    threshold: { usual: 2, low: 1, high: 10, unit: 'due days' },
    acts: ['asked', 'wrote', 'paused', 'snoozed', 'seen'],
  },
  'missed-in-a-row': {
    name: 'Missed in a row',
    means: 'The last {n} due days weren’t done. One alone says nothing.',
    weight: 70,
    isSlow: true,
    threshold: { usual: 2, low: 2, high: 10, unit: 'due days' },
    acts: ['asked', 'wrote', 'excused', 'paused', 'eased', 'snoozed', 'seen'],
  },
  fading: {
    name: 'Does half of what they did',
    means: 'Of the last seven due days they did {n} % or less of the share that they did before.',
    weight: 60,
    isSlow: true,
    threshold: { usual: 50, low: 10, high: 90, unit: '%' },
    acts: ['asked', 'wrote', 'eased', 'paused', 'snoozed', 'seen'],
  },
  'effort-high': {
    name: 'Everything they had, again and again',
    means: 'Effort of {n} or more three times running.',
    weight: 55,
    isSlow: true,
    threshold: { usual: 9, low: 6, high: 10, unit: 'of 10' },
    acts: ['eased', 'asked', 'swapped', 'snoozed', 'seen'],
  },
  'effort-rising': {
    name: 'The same work gets harder',
    means: 'The same session felt harder each time, by {n} or more over three times.',
    weight: 50,
    isSlow: true,
    threshold: { usual: 3, low: 1, high: 6, unit: 'of 10' },
    acts: ['asked', 'eased', 'snoozed', 'seen'],
  },
  'score-fell': {
    name: 'A retest went down',
    means: 'The last score of a retest is {n} % or more below the one before.',
    weight: 45,
    threshold: { usual: 10, low: 1, high: 50, unit: '%' },
    acts: ['asked', 'eased', 'snoozed', 'seen'],
  },
  'far-more': {
    name: 'Does far more than asked',
    means: '{n} sessions or more beside what was due, within a week.',
    weight: 40,
    isSlow: true,
    threshold: { usual: 2, low: 1, high: 7, unit: 'sessions' },
    acts: ['asked', 'wrote', 'snoozed', 'seen'],
  },
  back: {
    name: 'Back after a pause',
    means: 'They have done a session again after days away.',
    weight: 30,
    isGood: true,
    acts: ['wrote', 'eased', 'seen'],
  },
  'best-score': {
    name: 'Their best so far',
    means: 'A retest better than all before.',
    weight: 20,
    isGood: true,
    acts: ['wrote', 'seen'],
  },
  'first-week': {
    name: 'First week complete',
    means: 'All that was due in their first week is done.',
    weight: 10,
    isGood: true,
    acts: ['wrote', 'seen'],
  },
};

/** What a coach has set of a rule: off, or a threshold of their own. */
export interface RuleSetting {
  readonly off?: boolean;
  readonly threshold?: number;
}
export type AttentionSettings = Readonly<Partial<Record<AttentionCode, RuleSetting>>>;

/** What is stored, as far as it can be used. */
export function readAttentionSettings(stored: unknown): AttentionSettings {
  if (typeof stored !== 'object' || stored === null) return {};
  return Object.fromEntries(
    Object.entries(stored).flatMap(([code, value]) => {
      if (!isAttentionCode(code) || typeof value !== 'object' || value === null) return [];
      const { off, threshold } = value as { off?: unknown; threshold?: unknown };
      const bounds = ATTENTION_RULES[code].threshold;
      const isIn =
        typeof threshold === 'number' && bounds !== undefined && threshold >= bounds.low && threshold <= bounds.high;
      return [[code, { ...(off === true && { off: true }), ...(isIn && { threshold }) }]];
    }),
  );
}

export const thresholdOf = (code: AttentionCode, settings: AttentionSettings): number =>
  settings[code]?.threshold ?? ATTENTION_RULES[code].threshold?.usual ?? 0;

/** When a rule speaks up, in words. */
export const ruleWords = (code: AttentionCode, settings: AttentionSettings): string =>
  ATTENTION_RULES[code].means.replace('{n}', String(thresholdOf(code, settings)));
