import { formatClock } from './format-clock.ts';
import type { Amount, Choice, CountRule, Dose, Item, Load, Tempo, WorkItem } from '../document/document.ts';

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
    case 'weight': {
      const kg = [load.kg, ...(load.laterKg ?? [])].join(', ');
      const pieces = load.pieces === 1 ? '' : `${load.pieces} × `;
      return `with ${pieces}${kg} kg${load.laterKg ? ', round by round' : ''}`;
    }
    case 'share':
      return `at ${load.pct} %`;
    case 'step':
      return `with ${load.step}`;
    case 'effort':
      return `effort ${load.effort} of 10`;
  }
}

/** The weight of a round, from 0: where it changes by round only this round's is left. */
export function loadAt(load: Load, round: number): Load {
  if (load.kind !== 'weight' || !load.laterKg) return load;
  const { laterKg, ...bare } = load;
  const all = [load.kg, ...laterKg];
  return { ...bare, kg: all[Math.min(Math.max(0, round), all.length - 1)]! };
}

const tempoText = ({ downSec, pauseSec, upSec }: Tempo): string =>
  `${downSec} s down, ${pauseSec} s pause, ${upSec} s up`;

/** How an option is done, where the options of a line are counted or loaded each in its own way. */
const optionDetails = ({ tempo, pauseSec, load }: Choice, dose: Dose | undefined): string[] => [
  ...[speakDose(dose, undefined).how].filter((how) => how !== ''),
  ...(tempo ? [tempoText(tempo)] : []),
  ...(pauseSec ? [`pause ${pauseSec} s`] : []),
  ...(load ? [loadText(load)] : []),
];

/** Whether the options of a line have doses of their own: then each says how its sides are counted. */
const areCountedApart = (item: WorkItem): boolean => item.choices.some((c) => c.dose !== undefined);

/** The movement's words: options joined by "or", each with what is said of it alone; those taken in turn by commas. */
export function itemName(item: WorkItem): string {
  if (item.inTurn) return item.choices.map((c) => c.name).join(', then ');
  const names = item.choices.map((c, i) => {
    const figure = c.dose ? `${speakDose(c.dose, undefined).figure} ` : '';
    const own = optionDetails(c, c.dose ?? (i === 0 && areCountedApart(item) ? item.dose : undefined));
    return `${figure}${c.name}${own.length > 0 ? ` (${own.join(', ')})` : ''}`;
  });
  return names.join(' or ');
}

/** What else the line says, in a participant's words: how the sides are counted, tempo, load. */
export function itemDetails(item: WorkItem, count: CountRule | undefined): string[] {
  const { tempo } = item;
  return [
    ...(item.side ? [`${item.side} side only`] : []),
    ...(areCountedApart(item) ? [] : [speakDose(item.dose, count).how].filter((h) => h !== '')),
    ...(tempo ? [tempoText(tempo)] : []),
    ...(item.pauseSec ? [`pause ${item.pauseSec} s`] : []),
    ...(item.thenHold === undefined
      ? []
      : [item.thenHold === 'by-count' ? 'then hold as many seconds' : `then hold ${item.thenHold} s`]),
    ...(item.load ? [loadText(item.load)] : []),
    ...(item.halfEachSide ? ['half on each side'] : []),
    ...(item.mayBeSplit ? ['may be split'] : []),
    ...(item.speed ? [item.speed] : []),
    ...(item.atLeast === undefined ? [] : [`at least ${item.atLeast}`]),
    ...(item.words ?? []),
    ...(item.cue === undefined ? [] : [item.cue]),
    ...(item.watch === undefined ? [] : [`watch: ${item.watch}`]),
  ];
}

/** The coach's own neighbours of a line, in words. */
export const neighbourWords = ({ easier, harder }: Pick<WorkItem, 'easier' | 'harder'>): string[] => [
  ...(easier === undefined ? [] : [`easier: ${easier}`]),
  ...(harder === undefined ? [] : [`harder: ${harder}`]),
];

/** What stands for a movement that isn't shown before its turn. */
export const SURPRISE = 'something more';

export const isWork = (item: Item): item is WorkItem => item.kind === 'work';
