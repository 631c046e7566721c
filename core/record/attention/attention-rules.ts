/** What asks for a coach's attention, most pressing first. Nobody is scolded: most of these end in a question, some in a good word. */
export const ATTENTION_CODES = [
  'pain',
  'bounced',
  'never-started',
  'missed-in-a-row',
  'fading',
  'low',
  'effort-high',
  'felt-above',
  'effort-rising',
  'score-fell',
  'far-more',
  'felt-below',
  'back',
  'best-score',
  'first-week',
] as const;
export type AttentionCode = (typeof ATTENTION_CODES)[number];
export const isAttentionCode = (text: string): text is AttentionCode => ATTENTION_CODES.some((c) => c === text);

/** What a coach can do about someone from the list. */
export const ACT_KINDS = ['wrote', 'asked', 'excused', 'paused', 'eased', 'swapped', 'snoozed', 'seen'] as const;
export type ActKind = (typeof ACT_KINDS)[number];

export interface AttentionRule {
  /** Weighs more, stands higher. */
  readonly weight: number;
  readonly isGood?: boolean;
  /** Once acted upon, it is quiet for a week, whatever comes. */
  readonly isSlow?: boolean;
  /** What a coach can set. */
  readonly threshold?: { readonly usual: number; readonly low: number; readonly high: number };
  readonly acts: readonly ActKind[];
}

/** The rules, most pressing first. Thresholds are common practice, without a source; a coach can set each, or switch it off. */
export const ATTENTION_RULES: Record<AttentionCode, AttentionRule> = {
  pain: {
    weight: 100,
    threshold: { usual: 7, low: 1, high: 28 },
    acts: ['asked', 'swapped', 'eased', 'paused', 'snoozed', 'seen'],
  },
  bounced: {
    weight: 90,
    acts: ['snoozed', 'seen'],
  },
  'never-started': {
    weight: 80,
    threshold: { usual: 2, low: 1, high: 10 },
    acts: ['asked', 'wrote', 'paused', 'snoozed', 'seen'],
  },
  'missed-in-a-row': {
    weight: 70,
    isSlow: true,
    threshold: { usual: 2, low: 2, high: 10 },
    acts: ['asked', 'wrote', 'excused', 'paused', 'eased', 'snoozed', 'seen'],
  },
  fading: {
    weight: 60,
    isSlow: true,
    threshold: { usual: 50, low: 10, high: 90 },
    acts: ['asked', 'wrote', 'eased', 'paused', 'snoozed', 'seen'],
  },
  low: {
    weight: 58,
    isSlow: true,
    threshold: { usual: 50, low: 10, high: 90 },
    acts: ['asked', 'wrote', 'eased', 'paused', 'snoozed', 'seen'],
  },
  'effort-high': {
    weight: 55,
    isSlow: true,
    threshold: { usual: 9, low: 6, high: 10 },
    acts: ['eased', 'asked', 'swapped', 'snoozed', 'seen'],
  },
  'felt-above': {
    weight: 52,
    isSlow: true,
    threshold: { usual: 2, low: 1, high: 5 },
    acts: ['eased', 'asked', 'swapped', 'snoozed', 'seen'],
  },
  'effort-rising': {
    weight: 50,
    isSlow: true,
    threshold: { usual: 3, low: 1, high: 6 },
    acts: ['asked', 'eased', 'snoozed', 'seen'],
  },
  'score-fell': {
    weight: 45,
    threshold: { usual: 10, low: 1, high: 50 },
    acts: ['asked', 'eased', 'snoozed', 'seen'],
  },
  'far-more': {
    weight: 40,
    isSlow: true,
    threshold: { usual: 2, low: 1, high: 7 },
    acts: ['asked', 'wrote', 'snoozed', 'seen'],
  },
  'felt-below': {
    weight: 35,
    isSlow: true,
    threshold: { usual: 2, low: 1, high: 5 },
    acts: ['asked', 'wrote', 'snoozed', 'seen'],
  },
  back: {
    weight: 30,
    isGood: true,
    acts: ['wrote', 'eased', 'seen'],
  },
  'best-score': {
    weight: 20,
    isGood: true,
    acts: ['wrote', 'seen'],
  },
  'first-week': {
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
