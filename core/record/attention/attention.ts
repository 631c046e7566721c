import type { DayDate } from '../../calendar/day.ts';
import { daysBetween } from '../../calendar/days-between.ts';
import { isKept } from '../adherence/strand.ts';
import { back, fading, farMore, firstWeek, low, missedInARow, neverStarted } from './attendance-rules.ts';
import type { AttentionCode, AttentionSettings } from './attention-rules.ts';
import { ATTENTION_CODES, ATTENTION_RULES, thresholdOf } from './attention-rules.ts';
import { effortHigh, effortRising, feltAbove, feltBelow } from './effort-rules.ts';
import type { AttentionItem, HistoryDays, PersonHistory } from './history.ts';
import { owed, placesOf } from './history.ts';
import type { Rule } from './rule.ts';
import { LATELY } from './rule.ts';
import { bestScore, bounced, pain, scoreFell } from './told-rules.ts';

const RULES: { readonly [C in AttentionCode]: Rule<C> } = {
  pain,
  bounced,
  'never-started': neverStarted,
  'missed-in-a-row': missedInARow,
  fading,
  low,
  'effort-high': effortHigh,
  'felt-above': feltAbove,
  'felt-below': feltBelow,
  'effort-rising': effortRising,
  'score-fell': scoreFell,
  'far-more': farMore,
  'first-week': firstWeek,
  'best-score': bestScore,
  back,
};

/** What isn't told beside one of these, which say the same, or the contrary. */
const SAID_BY: { readonly [C in AttentionCode]?: readonly AttentionCode[] } = {
  fading: ['missed-in-a-row', 'never-started'],
  low: ['missed-in-a-row', 'never-started', 'fading'],
  'felt-above': ['effort-high'],
  back: ['missed-in-a-row', 'fading', 'low'],
  'first-week': ['missed-in-a-row'],
};

/**
 * What about someone asks for a coach's attention, most pressing first. Nothing of someone who has left. Of several that say the same
 * (missed in a row, doing half) only the first is told.
 */
export function findAttention(history: PersonHistory, settings: AttentionSettings = {}): AttentionItem[] {
  if (history.leftOn !== null && history.leftOn <= history.today) return [];
  const found: AttentionItem[] = [];
  for (const code of ATTENTION_CODES) {
    if (settings[code]?.off) continue;
    if (found.some((f) => SAID_BY[code]?.includes(f.code))) continue;
    const item = RULES[code](history, thresholdOf(code, settings));
    if (item) found.push(item);
  }
  return found;
}

/** Something a coach did about someone. */
export interface Act {
  readonly code: string;
  readonly occasion: string;
  readonly kind: string;
  readonly madeOn: DayDate;
  /** Quiet up to and with this day. */
  readonly untilOn: DayDate | null;
}

/** Whether an item was acted upon: the same occasion, or what is slow within a week of it; what was put off until its day. */
export const isQuiet = (item: AttentionItem, acts: readonly Act[], today: DayDate): boolean =>
  acts.some(
    (a) =>
      a.code === item.code &&
      (a.untilOn !== null
        ? today <= a.untilOn
        : a.occasion === item.occasion ||
          (ATTENTION_RULES[item.code].isSlow === true && daysBetween(a.madeOn, today) < LATELY)),
  );

/** What came of something a coach did: of the due days since then, how many were done, beside as many before. */
export interface Helped {
  readonly due: number;
  readonly done: number;
  readonly dueBefore: number;
  readonly doneBefore: number;
}

/** Due days looked at on either side. */
const HELPED_DAYS = 5;

export function helpedSince(h: HistoryDays, madeOn: DayDate): Helped {
  const all = placesOf(h, owed(h));
  const after = all.filter((i) => h.dates[i]! > madeOn).slice(0, HELPED_DAYS);
  const before = all.filter((i) => h.dates[i]! <= madeOn).slice(-HELPED_DAYS);
  const done = (list: readonly number[]) => list.filter((i) => isKept(h.states[i]!)).length;
  return { due: after.length, done: done(after), dueBefore: before.length, doneBefore: done(before) };
}
