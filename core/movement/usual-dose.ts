import type { Dose } from '../document/document.ts';
import type { Movement } from './movement.ts';

/** Repetitions usually written for a movement, by effort class 1 to 5 (common practice, no source). */
const USUAL_REPS = { 1: 8, 2: 10, 3: 10, 4: 8, 5: 6 } as const;

/** The dose that a coach most often writes for a movement: a time where it is held, sides where it has them. */
export function usualDose(movement: Movement): Dose {
  if (movement.isHold) {
    return {
      kind: 'time',
      amountSec: { kind: 'fixed', value: movement.paceSec.likely },
      ...(movement.isOneSided && { sides: 'each' as const }),
    };
  }
  return {
    kind: 'reps',
    amount: { kind: 'fixed', value: USUAL_REPS[movement.effortClass] },
    ...(movement.isOneSided && { sides: 'each' as const }),
  };
}
