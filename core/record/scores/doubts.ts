import type { FieldError, ScoredBlock } from './score.ts';
import { parseClockText } from './score.ts';

/** What nobody is likely to exceed in a block. It is asked about, never refused. */
export interface Sensible {
  /** Repetitions in all of it; null where its length is open. */
  readonly mostReps: number | null;
  /** Seconds for all of it; null where its amount is open. */
  readonly leastSec: number | null;
  /** Of a round, where every round has the same. */
  readonly perRound: number | null;
}

/** A score beside "not today" would be thrown away: which of the two is meant is asked at the outcome. Undefined where they agree. */
export const outcomeDoubt = (
  scored: readonly ScoredBlock[],
  value: (name: string) => string,
  outcome: string | undefined,
): string | undefined =>
  outcome === 'not-done' && scored.some((own) => own.fields.some((f) => value(f.name).trim() !== ''))
    ? 'A number stands below: choose done or part of it, or take the number out.'
    : undefined;

const SURE = 'That is a great deal. Is it right? Then say so below, else correct it.';
const SURE_TIME = 'That is very quick. Is it right? Then say so below, else correct it.';

/** What of a form's scores is to be asked about, at its field. What can't be read is left to `parseScores`. */
export function findDoubts(
  scored: readonly ScoredBlock[],
  value: (name: string) => string,
  bounds: readonly Sensible[],
): FieldError[] {
  return scored.flatMap((own): FieldError[] => {
    const bound = bounds[own.block];
    if (!bound) return [];
    const numbers = own.fields.map(
      (f) => Number.parseFloat(value(f.name).trim().replace(',', '.').replace('½', '.5')) || 0,
    );
    const doubt = (of: number, message: string): FieldError[] => [{ name: own.fields[of]!.name, message }];
    const most = bound.mostReps ?? Infinity;
    switch (own.kind) {
      case 'time': {
        const sec = parseClockText(value(own.fields[0]!.name));
        return sec !== undefined && bound.leastSec !== null && sec < bound.leastSec ? doubt(0, SURE_TIME) : [];
      }
      case 'rounds+reps':
        return numbers[0]! * (bound.perRound ?? 1) + numbers[1]! > most ? doubt(0, SURE) : [];
      case 'reps':
        return numbers[0]! > most ? doubt(0, SURE) : [];
      case 'reps-per-window':
        return numbers.reduce((a, b) => a + b, 0) > most ? doubt(numbers.indexOf(Math.max(...numbers)), SURE) : [];
      case 'top-set':
      case 'whole-slots':
        return numbers.some((n) => n > most) ? doubt(numbers.indexOf(Math.max(...numbers)), SURE) : [];
    }
  });
}
