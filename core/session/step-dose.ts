import { MAX_AMOUNT, MAX_DURATION_SEC } from '../limits.ts';
import type { Amount, Dose, Sides } from '../document/document.ts';

/** A time is stepped by five seconds, by a minute from ten minutes on. */
const secStep = (sec: number): number => (sec >= 600 ? 60 : 5);
const metresStep = (metres: number): number => (metres >= 400 ? 100 : metres >= 100 ? 50 : 10);

const clamp = (value: number, most: number) => Math.min(most, Math.max(1, value));

/** The next higher or lower multiple of a step: 7 goes to 10 or 5 by fives. */
function nextMultiple(value: number, step: number, by: 1 | -1): number {
  return by > 0 ? (Math.floor(value / step) + 1) * step : (Math.ceil(value / step) - 1) * step;
}

function stepAmount(amount: Amount, next: (value: number) => number, most: number): Amount {
  switch (amount.kind) {
    case 'fixed':
      return { kind: 'fixed', value: clamp(next(amount.value), most) };
    case 'range': {
      const low = clamp(next(amount.low), most);
      return { kind: 'range', low, high: Math.max(low + 1, clamp(next(amount.high), most)) };
    }
    case 'list':
      return { kind: 'list', values: amount.values.map((v) => clamp(next(v), most)) };
    case 'growing':
      return { ...amount, start: clamp(next(amount.start), most) };
  }
}

/** One step more (`by` 1) or less (-1) of a dose; a dose without a number of its own comes back as it is. Never below 1. */
export function stepDose(dose: Dose, by: 1 | -1): Dose {
  switch (dose.kind) {
    case 'reps':
      return { ...dose, amount: stepAmount(dose.amount, (v) => v + by, MAX_AMOUNT) };
    case 'time':
      return {
        ...dose,
        amountSec: stepAmount(dose.amountSec, (v) => Math.max(1, nextMultiple(v, secStep(v), by)), MAX_DURATION_SEC),
      };
    case 'distance':
      return { ...dose, metres: clamp(nextMultiple(dose.metres, metresStep(dose.metres), by), MAX_AMOUNT) };
    case 'energy':
      return { ...dose, kcal: clamp(dose.kcal + by, MAX_AMOUNT) };
    case 'max':
    case 'given':
      return dose;
  }
}

const SIDES_ORDER: readonly (Sides | undefined)[] = [undefined, 'each', 'alternate', 'pairs'];

/** The next way of counting sides that this dose can have, in a circle. */
export function nextSides(dose: Dose): Dose {
  if (dose.kind === 'energy') return dose;
  const allowed =
    dose.kind === 'time' ? SIDES_ORDER.slice(0, 2) : dose.kind === 'given' ? SIDES_ORDER.slice(1) : SIDES_ORDER;
  const sides = allowed[(allowed.indexOf(dose.sides) + 1) % allowed.length];
  const { sides: _sides, ...bare } = dose as Dose & { sides?: Sides };
  return (sides === undefined ? bare : { ...bare, sides }) as Dose;
}
