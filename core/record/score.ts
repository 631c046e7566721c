import { formatClock } from '../words/format-clock.ts';
import type { ScoreKind, SessionPlan } from '../session/plan.ts';

/** What someone got in one scored block. `block` counts from 0. */
export type Score =
  | { readonly block: number; readonly kind: 'rounds+reps'; readonly rounds: number; readonly reps: number }
  | { readonly block: number; readonly kind: 'reps'; readonly reps: number }
  | { readonly block: number; readonly kind: 'time'; readonly sec: number }
  | { readonly block: number; readonly kind: 'reps-per-window'; readonly reps: readonly number[] }
  | { readonly block: number; readonly kind: 'top-set'; readonly tops: readonly number[] };

export const MAX_SCORE = 9_999;

/** A field of the log form: its name, what it asks, and how it is written. */
export interface ScoreField {
  readonly name: string;
  readonly label: string;
  readonly write: 'whole' | 'clock';
}

export interface ScoredBlock {
  readonly block: number;
  readonly kind: Exclude<ScoreKind, 'none'>;
  readonly fields: readonly ScoreField[];
}

/** The scored blocks of a plan with the fields that their scores need. */
export function scoreFields(plan: SessionPlan): ScoredBlock[] {
  return plan.blocks.flatMap(({ score, intervals }, block): ScoredBlock[] => {
    const name = (part: string) => `score-${block}-${part}`;
    const many = (count: number, word: string): ScoreField[] =>
      Array.from({ length: count }, (_, i) => ({ name: name(String(i)), label: `${word} ${i + 1}`, write: 'whole' }));
    switch (score) {
      case 'none':
        return [];
      case 'rounds+reps':
        return [
          {
            block,
            kind: score,
            fields: [
              { name: name('rounds'), label: 'whole rounds', write: 'whole' },
              { name: name('reps'), label: 'and reps', write: 'whole' },
            ],
          },
        ];
      case 'reps':
        return [{ block, kind: score, fields: [{ name: name('reps'), label: 'reps', write: 'whole' }] }];
      case 'time':
        return [{ block, kind: score, fields: [{ name: name('time'), label: 'time', write: 'clock' }] }];
      case 'reps-per-window':
        return [{ block, kind: score, fields: many(intervals ?? 1, 'window') }];
      case 'top-set':
        return [{ block, kind: score, fields: many(Math.max(1, Math.round((intervals ?? 2) / 2)), 'pair') }];
    }
  });
}

export interface FieldError {
  readonly name: string;
  readonly message: string;
}

/** Reads `3:04`, `3.04` or `184` seconds; undefined for anything else. */
export function parseClockText(text: string): number | undefined {
  const match = /^(?:(\d{1,2}):)?(\d{1,3})[:.](\d{2})$/.exec(text.trim());
  if (match) {
    const sec = Number(match[1] ?? 0) * 3600 + Number(match[2]) * 60 + Number(match[3]);
    return Number(match[3]) < 60 ? sec : undefined;
  }
  return /^\d{1,5}$/.test(text.trim()) ? Number(text.trim()) : undefined;
}

/**
 * The scores out of a form's values. Blank fields give no score for their block: a number is never owed.
 * What is there and can't be read comes back as an error at its field.
 */
export function parseScores(
  plan: SessionPlan,
  value: (name: string) => string,
): { scores: Score[]; errors: FieldError[] } {
  const scores: Score[] = [];
  const errors: FieldError[] = [];
  for (const { block, kind, fields } of scoreFields(plan)) {
    const read = fields.map((field) => {
      const text = value(field.name).trim();
      if (text === '') return undefined;
      const number = field.write === 'clock' ? parseClockText(text) : /^\d{1,4}$/.test(text) ? Number(text) : undefined;
      if (number === undefined) {
        errors.push({
          name: field.name,
          message:
            field.write === 'clock'
              ? 'Write the time as minutes and seconds, like 3:04.'
              : `Write a whole number from 0 to ${MAX_SCORE}.`,
        });
      }
      return number;
    });
    if (read.every((n) => n === undefined)) continue;
    const at = (i: number) => read[i] ?? 0;
    switch (kind) {
      case 'rounds+reps':
        scores.push({ block, kind, rounds: at(0), reps: at(1) });
        break;
      case 'reps':
        scores.push({ block, kind, reps: at(0) });
        break;
      case 'time':
        scores.push({ block, kind, sec: at(0) });
        break;
      case 'reps-per-window':
        scores.push({ block, kind, reps: read.map((n) => n ?? 0) });
        break;
      case 'top-set':
        scores.push({ block, kind, tops: read.map((n) => n ?? 0) });
        break;
    }
  }
  return { scores, errors };
}

/** The values that a form shows for a score that is already there. */
export function scoreValues(score: Score): Record<string, string> {
  const name = (part: string | number) => `score-${score.block}-${part}`;
  switch (score.kind) {
    case 'rounds+reps':
      return { [name('rounds')]: String(score.rounds), [name('reps')]: String(score.reps) };
    case 'reps':
      return { [name('reps')]: String(score.reps) };
    case 'time':
      return { [name('time')]: formatClock(score.sec) };
    case 'reps-per-window':
      return Object.fromEntries(score.reps.map((n, i) => [name(i), String(n)]));
    case 'top-set':
      return Object.fromEntries(score.tops.map((n, i) => [name(i), String(n)]));
  }
}

const reps = (n: number) => `${n} ${n === 1 ? 'rep' : 'reps'}`;

/** `7 rounds + 4 reps`, `3:04`, `12, 11, 11 reps`. */
export function formatScore(score: Score): string {
  switch (score.kind) {
    case 'rounds+reps':
      return `${score.rounds} ${score.rounds === 1 ? 'round' : 'rounds'}${score.reps > 0 ? ` + ${reps(score.reps)}` : ''}`;
    case 'reps':
      return reps(score.reps);
    case 'time':
      return formatClock(score.sec);
    case 'reps-per-window':
      return `${score.reps.join(', ')} reps`;
    case 'top-set':
      return `top set ${score.tops.join(', ')}`;
  }
}
