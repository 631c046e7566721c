import type { Choice, WorkItem } from './document.ts';

/**
 * The line as somebody does it who takes one of its options, from 0: its own dose, load, tempo and pause, and for what it doesn't
 * say those of the line. A dose that counts its sides says already what "left" or "half each side" said. Lists in turn have no
 * options: they come back as they are.
 */
export function withOption(item: WorkItem, option: number): WorkItem {
  const choice = item.choices[option];
  if (item.inTurn || !choice) return item;
  const { name, dose, ...own } = choice;
  const { side, halfEachSide, ...line } = item;
  const saysSides = dose !== undefined && 'sides' in dose && dose.sides !== undefined;
  return {
    ...line,
    ...(!saysSides && side && { side }),
    ...(!saysSides && halfEachSide && { halfEachSide }),
    ...(dose && { dose }),
    ...own,
    choices: [{ name }],
  };
}

const saysOwn = ({ name: _name, dose: _dose, ...own }: Choice): boolean => Object.keys(own).length > 0;

/** The line as it is counted: with what the first option says of itself; all its options stay. */
export function asCounted(item: WorkItem): WorkItem {
  if (item.inTurn || !saysOwn(item.choices[0]!)) return item;
  return { ...withOption(item, 0), choices: item.choices };
}

/** Whether a line leaves something to choose. */
export const hasOptions = (item: WorkItem): boolean => !item.inTurn && item.choices.length > 1;
