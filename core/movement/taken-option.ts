import type { WorkItem } from '../document/document.ts';
import { withOption } from '../document/option.ts';
import { convertDose } from './convert-dose.ts';
import type { MovementLibrary } from './library.ts';

/**
 * The line as somebody does it who takes one of its options, from 0. An option without a dose of its own has the line's number, and
 * sides only where it has sides: `10 alt step-back lunge or squat` is 10 squats.
 */
export function takenOption(item: WorkItem, option: number, library: MovementLibrary): WorkItem {
  const own = withOption(item, option);
  const choice = item.choices[option];
  const [from, to] = [item.choices[0]!, choice].map((c) => (c ? library.findByName(c.name) : undefined));
  if (option === 0 || choice?.dose || !from || !to || from.isOneSided === to.isOneSided || from.isHold !== to.isHold)
    return own;
  const { dose: _dose, ...bare } = own;
  const dose = convertDose(item, from, to);
  return { ...bare, ...(dose && { dose }) };
}
