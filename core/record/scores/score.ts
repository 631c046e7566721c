import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import type { ScoreForm, ScoreLabel } from '../../forms/form.ts';
import { begunField, downField } from '../../forms/down-field.ts';
import type { SessionPlan } from '../../session/plan.ts';

/** Where a score belongs: a block counted from 0, and where a block has several (sets, partners), which of them, from 1. */
interface ScorePlace {
  readonly block: number;
  readonly part?: number;
}

/** What someone got in one scored block. */
export type Score = ScorePlace & {
  /** What it may be compared by (`scoreKey`); absent in what was stored before there were such. */
  readonly key?: string;
  /** What it may be divided by, to be held against other lengths of the same block. */
  readonly rate?: { readonly key: string; readonly per: 'round' | 'minute'; readonly of: number };
} & (
    | { readonly kind: 'rounds+reps'; readonly rounds: number; readonly reps: number }
    | { readonly kind: 'reps'; readonly reps: number }
    /** `reps`: the cap came first, and so many were done by then. */
    | { readonly kind: 'time'; readonly sec: number; readonly reps?: number }
    | { readonly kind: 'reps-per-window'; readonly reps: readonly number[] }
    /** Sets that were finished of each pair, on the way up and coming down again where that was said; a half is a set half done. */
    | {
        readonly kind: 'top-set';
        readonly tops: readonly number[];
        /** Repetitions of the set that was stopped in, on the way up; absent where it was whole, or nobody said. */
        readonly begun?: readonly number[];
        readonly downs?: readonly number[];
      }
    | { readonly kind: 'whole-slots'; readonly slots: number }
  );

export const MAX_SCORE = 9_999;

/** A field of the log form: its name, what it asks, and how it is written. */
export interface ScoreField extends ScoreLabel {
  readonly name: string;
}

export interface ScoredBlock extends ScorePlace {
  readonly kind: ScoreForm['kind'];
  /** Whose or which set, where there are several: `set 2`, `partner 1`. */
  readonly whose: string;
  /** From 1. */
  readonly set: number;
  readonly person: number;
  readonly fields: readonly ScoreField[];
}

const fieldName = ({ block, part }: ScorePlace, field: string): string =>
  part === undefined ? `score-${block}-${field}` : `score-${block}.${part}-${field}`;

/** The scored blocks of a plan with the fields that their scores need; one for each set and each partner. */
export function scoreFields(plan: SessionPlan): ScoredBlock[] {
  return plan.blocks.flatMap(({ scoreForm, sets }, block): ScoredBlock[] => {
    if (!scoreForm) return [];
    const { kind, persons, fields } = scoreForm;
    return Array.from({ length: sets * persons }, (_, i) => {
      const place: ScorePlace = sets * persons === 1 ? { block } : { block, part: i + 1 };
      return {
        ...place,
        kind,
        set: Math.floor(i / persons) + 1,
        person: (i % persons) + 1,
        whose: whoseWords(i + 1, { sets, persons }),
        fields: fields.map((field) => ({ ...field, name: fieldName(place, field.part) })),
      };
    });
  });
}

/** Which set and whose a part of several is, from 1: `set 2, partner 1`; empty where there is one. */
export const whoseWords = (
  part: number,
  { sets, persons }: { readonly sets: number; readonly persons: number },
): string =>
  [
    ...(sets > 1 ? [`set ${Math.floor((part - 1) / persons) + 1}`] : []),
    ...(persons > 1 ? [`partner ${((part - 1) % persons) + 1}`] : []),
  ].join(', ');

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

/** Reads `3`, `3.5`, `3,5` or `3½`. */
function parseHalves(text: string): number | undefined {
  const match = /^(\d{1,4})(?:[.,]([05])|(½))?$/.exec(text);
  return match ? Number(match[1]) + (match[2] === '5' || match[3] ? 0.5 : 0) : undefined;
}

const readField = (write: ScoreLabel['write'], text: string): number | undefined => {
  switch (write) {
    case 'clock':
      return parseClockText(text);
    case 'half':
      return parseHalves(text);
    case 'whole':
      return /^\d{1,4}$/.test(text) ? Number(text) : undefined;
  }
};

const WRITE_SO: Record<ScoreLabel['write'], string> = {
  clock: 'Write the time as minutes and seconds, like 3:04.',
  half: `Write a number from 0 to ${MAX_SCORE}; a half set is .5, like 3.5.`,
  whole: `Write a whole number from 0 to ${MAX_SCORE}.`,
};

/**
 * The scores out of a form's values. Blank fields give no score for their block: a number is never owed.
 * What is there and can't be read comes back as an error at its field.
 */
export const parseScores = (
  plan: SessionPlan,
  value: (name: string) => string,
): { scores: Score[]; errors: FieldError[] } =>
  readScores(scoreFields(plan), value, (block) => plan.blocks[block]!.capSec ?? undefined);

/** As `parseScores`, for scored blocks whose cap `capOf` knows. */
export function readScores(
  scored: readonly Pick<ScoredBlock, 'block' | 'part' | 'kind' | 'fields'>[],
  value: (name: string) => string,
  capOf: (block: number) => number | undefined = () => undefined,
): { scores: Score[]; errors: FieldError[] } {
  const scores: Score[] = [];
  const errors: FieldError[] = [];
  for (const { block, part, kind, fields } of scored) {
    const read = fields.map((field) => {
      const text = value(field.name).trim();
      if (text === '') return undefined;
      const number = readField(field.write, text);
      if (number === undefined) errors.push({ name: field.name, message: WRITE_SO[field.write] });
      return number;
    });
    if (read.every((n) => n === undefined)) continue;
    const place: ScorePlace = part === undefined ? { block } : { block, part };
    const at = (i: number) => read[i] ?? 0;
    switch (kind) {
      case 'rounds+reps':
        scores.push({ ...place, kind, rounds: at(0), reps: at(1) });
        break;
      case 'reps':
        scores.push({ ...place, kind, reps: at(0) });
        break;
      case 'time': {
        scores.push({
          ...place,
          kind,
          sec: read[0] ?? capOf(block) ?? 0,
          ...(read[1] !== undefined && { reps: read[1] }),
        });
        break;
      }
      case 'reps-per-window':
        scores.push({ ...place, kind, reps: read.map((n) => n ?? 0) });
        break;
      case 'top-set':
        scores.push({ ...place, kind, ...readTops(read) });
        break;
      case 'whole-slots':
        scores.push({ ...place, kind, slots: at(0) });
        break;
    }
  }
  return { scores, errors };
}

/** Up, the set that was stopped in, and down, of each pair in turn. */
function readTops(
  read: readonly (number | undefined)[],
): Pick<Extract<Score, { kind: 'top-set' }>, 'tops' | 'begun' | 'downs'> {
  const every = (from: 0 | 1 | 2) => read.filter((_, i) => i % 3 === from);
  return {
    tops: every(0).map((n) => n ?? 0),
    ...(every(1).some((n) => n !== undefined && n > 0) && { begun: every(1).map((n) => n ?? 0) }),
    ...(every(2).some((n) => n !== undefined) && { downs: every(2).map((n) => n ?? 0) }),
  };
}

/** The values that a form shows for a score that is already there. */
export function scoreValues(score: Score): Record<string, string> {
  const name = (field: string | number) => fieldName(score, String(field));
  const all = (numbers: readonly number[]) => Object.fromEntries(numbers.map((n, i) => [name(i), String(n)]));
  switch (score.kind) {
    case 'rounds+reps':
      return { [name('rounds')]: String(score.rounds), [name('reps')]: String(score.reps) };
    case 'reps':
      return { [name('reps')]: String(score.reps) };
    case 'time':
      return score.reps === undefined
        ? { [name('time')]: formatClock(score.sec) }
        : { [name('time')]: formatClock(score.sec), [name('reps')]: String(score.reps) };
    case 'reps-per-window':
      return all(score.reps);
    case 'top-set':
      return {
        ...all(score.tops),
        ...Object.fromEntries((score.begun ?? []).map((n, i) => [name(begunField(i)), String(n)])),
        ...Object.fromEntries((score.downs ?? []).map((n, i) => [name(downField(i)), String(n)])),
      };
    case 'whole-slots':
      return { [name('slots')]: String(score.slots) };
  }
}

const reps = (n: number) => plural(n, 'rep');

/** `7 rounds + 4 reps`, `3:04`, `12, 11, 11 reps`. */
export function formatScore(score: Score): string {
  switch (score.kind) {
    case 'rounds+reps':
      return `${plural(score.rounds, 'round')}${score.reps > 0 ? ` + ${reps(score.reps)}` : ''}`;
    case 'reps':
      return reps(score.reps);
    case 'time':
      return score.reps === undefined
        ? formatClock(score.sec)
        : `${reps(score.reps)} by the cap of ${formatClock(score.sec)}`;
    case 'reps-per-window':
      return `${score.reps.join(', ')} reps${score.reps.length > 1 ? `, ${scoreAmount(score)} in all, best ${Math.max(...score.reps)}` : ''}`;
    case 'top-set':
      return `top set ${score.tops.map((n, i) => (score.begun?.[i] ? `${n} + ${reps(score.begun[i])}` : String(n))).join(', ')}${score.downs ? `, then ${score.downs.join(', ')} coming down` : ''}`;
    case 'whole-slots':
      return `up to turn ${score.slots}`;
  }
}

const sumOf = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

/** Among equal tops what was done of the next set decides, then the way down; and never against half a set more on the way up. */
const BEGUN_WEIGHT = 1e-4;
const DOWN_WEIGHT = 1e-7;

/** One number that orders scores of a kind: more is better, except for a time. A time that reached its cap is worse than any that did not, and better with more reps. */
export function scoreAmount(score: Score): number {
  switch (score.kind) {
    case 'rounds+reps':
      return score.rounds * 1e4 + score.reps;
    case 'reps':
      return score.reps;
    case 'time':
      return score.reps === undefined ? -score.sec : -1e6 + score.reps;
    case 'reps-per-window':
      return sumOf(score.reps);
    case 'top-set':
      return sumOf(score.tops) + sumOf(score.begun ?? []) * BEGUN_WEIGHT + sumOf(score.downs ?? []) * DOWN_WEIGHT;
    case 'whole-slots':
      return score.slots;
  }
}

/** Whether one score is better than another of its kind; false for scores of different kinds. */
export const isBetter = (a: Score, b: Score): boolean => a.kind === b.kind && scoreAmount(a) > scoreAmount(b);
