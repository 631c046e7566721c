import type { Amount, Block, WorkItem } from '../document/document.ts';
import { listedNumbers } from '../forms/count.ts';
import { amountAt } from '../forms/dose-parts.ts';
import type { Step } from '../forms/step.ts';
import { speakDose } from '../words/describe-item.ts';
import type { Carried, FigureReps } from './stage.ts';

/** The repetitions of a step, as they are shown: once where both sides have as many. */
export function countedReps(item: WorkItem, { parts }: Step): FigureReps | null {
  const { dose } = item;
  const inPairs = turnsSides(item);
  if (dose?.kind === 'reps' && dose.amount.kind === 'range')
    return { as: 'range', numbers: [dose.amount.low, dose.amount.high], ...inPairs };
  const own = parts.flatMap((p) => (p.reps === null ? [] : [pairsShown(item, p.reps)]));
  if (own.length === 0) return null;
  const isEach = own.length === 1 || (!item.halfEachSide && own.every((n) => n === own[0]));
  return isEach ? { as: 'one', numbers: own.slice(0, 1), ...inPairs } : { as: 'halves', numbers: own };
}

const turnsSides = ({ dose }: WorkItem): { inPairs?: true } =>
  dose && 'sides' in dose && dose.sides === 'alternate' ? { inPairs: true } : {};

const pairsShown = (item: WorkItem, reps: number) =>
  item.dose && 'sides' in item.dose && item.dose.sides === 'pairs' ? reps / 2 : reps;

const carriedAmount = (amount: Amount): Carried | undefined =>
  amount.kind === 'growing'
    ? amount
    : amount.kind === 'list'
      ? { kind: 'list', values: amount.values, cycling: false }
      : undefined;

/** The number of a line that changes by the round that was tapped; undefined where it stays. */
export function carriedOf(item: WorkItem, block: Block, step: Step): Carried | undefined {
  if (step.carried !== undefined && step.direction)
    return { kind: 'set', step: step.carried, direction: step.direction };
  if (step.round > 0 && step.purpose !== 'span') return undefined;
  if (item.dose?.kind === 'reps') return carriedAmount(item.dose.amount);
  if (item.dose !== undefined && item.dose.kind !== 'given') return undefined;
  const values = listedNumbers(block.count);
  return values.length > 1 && block.count?.kind === 'list'
    ? { kind: 'list', values, cycling: block.count.cycling }
    : undefined;
}

/** The number that stands on this turn, of a window's list or of the line; undefined where none of its own does. */
export function repsAtTurn(item: WorkItem, block: Block, step: Step, turn: number): FigureReps | undefined {
  const isBare = item.dose === undefined || item.dose.kind === 'given';
  if (step.carried !== undefined && isBare) return undefined;
  const inPairs = turnsSides(item);
  const one = (n: number): FigureReps => ({ as: 'one', numbers: [n], ...inPairs });
  const values = listedNumbers(block.count);
  if (isBare && values.length > 0) {
    const cycles = block.count?.kind === 'list' && block.count.cycling;
    return one(values[cycles ? turn % values.length : Math.min(turn, values.length - 1)]!);
  }
  const amount = item.dose?.kind === 'reps' ? item.dose.amount : undefined;
  if (!amount) return undefined;
  if (amount.kind === 'range') return { as: 'range', numbers: [amount.low, amount.high], ...inPairs };
  return one(amountAt(amount, turn).likely);
}

/** What stands where no number of repetitions does: a climb's own number, a time, a distance, as many as one can. */
export const bareFigure = (item: WorkItem, { count }: Block, { carried }: Step): string =>
  carried !== undefined && (item.dose === undefined || item.dose.kind === 'given')
    ? String(carried)
    : speakDose(item.dose, count).figure;
