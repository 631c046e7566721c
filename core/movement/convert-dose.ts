import { computeRepSec } from '../pace/pace.ts';
import type { Amount, Dose, WorkItem } from '../document/document.ts';
import type { Movement } from './movement.ts';

export const countsSides = (dose: Dose | undefined): boolean =>
  dose !== undefined && 'sides' in dose && dose.sides !== undefined;

const mapAmount = (amount: Amount, by: (n: number) => number): Amount => {
  switch (amount.kind) {
    case 'fixed':
      return { kind: 'fixed', value: by(amount.value) };
    case 'range':
      return { kind: 'range', low: by(amount.low), high: Math.max(by(amount.low) + 1, by(amount.high)) };
    case 'list':
      return { kind: 'list', values: amount.values.map(by) };
    case 'growing':
      return { kind: 'growing', start: by(amount.start), step: amount.step };
  }
};

/** The same hold, for half as long. */
const isShorterHold = (to: Movement, from: Movement): boolean =>
  to.isHold && from.isHold && to.id === `short-${from.id}`;

/** A hold for as long as the repetitions took, repetitions for as long as a hold was; sides as the new movement has them. */
export function convertDose(item: WorkItem, from: Movement, to: Movement): Dose | undefined {
  const { dose } = item;
  const sidesOf = (now: 'each' | 'alternate' | 'pairs' | undefined) => {
    if (to.isOneSided)
      return now === 'pairs'
        ? ('alternate' as const)
        : (now ?? (item.side || item.halfEachSide ? undefined : ('alternate' as const)));
    return undefined;
  };
  if (!dose)
    return to.isOneSided && !from.isOneSided && !item.side && !item.halfEachSide
      ? { kind: 'given', sides: 'each' }
      : undefined;
  if (dose.kind === 'given') return to.isOneSided ? dose : undefined;
  if (dose.kind === 'reps') {
    if (to.isHold && !from.isHold) {
      const perRep = computeRepSec(from, item.tempo, item.pauseSec, item.speed).likely;
      return {
        kind: 'time',
        amountSec: mapAmount(dose.amount, (n) => Math.max(5, Math.round((n * perRep) / 5) * 5)),
        ...(to.isOneSided && { sides: 'each' as const }),
      };
    }
    const sides = sidesOf(dose.sides);
    return { kind: 'reps', amount: dose.amount, ...(sides && { sides }) };
  }
  if (dose.kind === 'time')
    return {
      kind: 'time',
      amountSec: isShorterHold(to, from)
        ? mapAmount(dose.amountSec, (n) => Math.max(5, Math.round(n / 10) * 5))
        : dose.amountSec,
      ...(to.isOneSided && dose.sides && { sides: 'each' as const }),
    };
  const { sides: _sides, ...bare } = dose as Dose & { sides?: unknown };
  const sides = sidesOf('sides' in dose ? dose.sides : undefined);
  return (dose.kind === 'energy' || !sides ? bare : { ...bare, sides }) as Dose;
}
