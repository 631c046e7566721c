import { formatClock } from './format-clock.ts';
import type { Amount, CountRule, Dose, Item, Load, WorkItem } from '../document/document.ts';

/** A dose as a participant reads it, split into the big figure and what goes with it. */
export interface SpokenDose {
  /** `14`, `0:40`, `9, 7, 5, 3`; empty where the clock or the participant says. */
  readonly figure: string;
  /** `each side`, `sides in turn`, `left and right count one`; empty where there is nothing to add. */
  readonly how: string;
}

function amountText(amount: Amount, print: (n: number) => string): string {
  switch (amount.kind) {
    case 'fixed':
      return print(amount.value);
    case 'range':
      return `${print(amount.low)} to ${print(amount.high)}`;
    case 'list':
      return amount.values.map(print).join(', ');
    case 'growing':
      return `${print(amount.start)}, then ${print(amount.step)} more each round`;
  }
}

const HOW = { each: 'each side', alternate: 'sides in turn', pairs: 'left and right count one' } as const;

export function speakDose(dose: Dose | undefined, count: CountRule | undefined): SpokenDose {
  const listed = count?.kind === 'list' ? count.values.join(', ') : '';
  switch (dose?.kind) {
    case undefined:
      return { figure: listed, how: '' };
    case 'given':
      return { figure: listed, how: HOW[dose.sides] };
    case 'reps':
      return { figure: amountText(dose.amount, String), how: dose.sides ? HOW[dose.sides] : '' };
    case 'time':
      return { figure: amountText(dose.amountSec, formatClock), how: dose.sides ? HOW[dose.sides] : '' };
    case 'distance':
      return { figure: `${dose.metres} m`, how: dose.sides ? HOW[dose.sides] : '' };
    case 'energy':
      return { figure: `${dose.kcal} cal`, how: '' };
    case 'max':
      return { figure: 'max', how: dose.sides ? HOW[dose.sides] : 'as many as you can' };
  }
}

function loadText(load: Load): string {
  switch (load.kind) {
    case 'weight':
      return load.pieces === 1 ? `with ${load.kg} kg` : `with ${load.pieces} × ${load.kg} kg`;
    case 'share':
      return `at ${load.pct} %`;
    case 'effort':
      return `effort ${load.effort} of 10`;
  }
}

/** The movement's words: alternatives joined by "or", those taken in turn by commas. */
export function itemName(item: WorkItem): string {
  const names = item.choices.map((c) => (c.dose ? `${speakDose(c.dose, undefined).figure} ${c.name}` : c.name));
  return item.inTurn ? names.join(', then ') : names.join(' or ');
}

/** What else the line says, in a participant's words: how the sides are counted, tempo, load. */
export function itemDetails(item: WorkItem, count: CountRule | undefined): string[] {
  const { tempo } = item;
  return [
    ...(item.side ? [`${item.side} side only`] : []),
    ...[speakDose(item.dose, count).how].filter((h) => h !== ''),
    ...(tempo ? [`${tempo.downSec} s down, ${tempo.pauseSec} s pause, ${tempo.upSec} s up`] : []),
    ...(item.pauseSec ? [`pause ${item.pauseSec} s`] : []),
    ...(item.thenHold === undefined
      ? []
      : [item.thenHold === 'by-count' ? 'then hold as many seconds' : `then hold ${item.thenHold} s`]),
    ...(item.load ? [loadText(item.load)] : []),
    ...(item.halfEachSide ? ['half on each side'] : []),
    ...(item.mayBeSplit ? ['may be split'] : []),
    ...(item.speed ? [item.speed] : []),
    ...(item.words ?? []),
  ];
}

export const isWork = (item: Item): item is WorkItem => item.kind === 'work';
