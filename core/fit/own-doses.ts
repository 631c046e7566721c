import type { Block, Item, WorkItem } from '../document/document.ts';
import { clamp } from '../forms/change.ts';
import { pullAmount, pullLoad } from '../forms/pull-item.ts';
import { MAX_AMOUNT } from '../limits.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { OwnDose } from '../movement/own-dose.ts';
import { printDose, printLoad } from '../notation/print.ts';
import { isWork } from '../words/describe-item.ts';

/** A line that someone does with a count or a weight of their own. */
export interface OwnDoseChange {
  readonly item: number;
  readonly name: string;
  readonly from: string;
  readonly to: string;
}

const isMain = ({ role }: Block): boolean => role === 'Main' || role === 'Finisher';
const words = ({ dose, load }: WorkItem): string =>
  [dose ? printDose(dose) : '', load ? printLoad(load) : ''].filter(Boolean).join(' ');

/**
 * A block with someone's own counts and weights. What is agreed for a movement goes for it in every block, what is agreed for all for the
 * counted lines of main work. Nothing falls below one repetition; what has no number stays.
 */
export function withOwnDoses(
  block: Block,
  doses: readonly OwnDose[],
  library: MovementLibrary,
): { readonly block: Block; readonly changes: readonly OwnDoseChange[] } {
  const changes: OwnDoseChange[] = [];
  const items = block.items.map((item, i): Item => {
    if (!isWork(item)) return item;
    const { name } = item.choices[0]!;
    const id = library.findByName(name)?.id;
    const own = doses.filter((d) => (d.movement === null ? isMain(block) : d.movement === id));
    const repsBy = own.reduce((n, d) => n + (d.repsBy ?? 0), 0);
    const loadBy = own.reduce((n, d) => n + (d.loadBy ?? 0), 0);
    let next = item;
    if (repsBy !== 0 && item.dose?.kind === 'reps') {
      const step = item.dose.sides === 'alternate' ? 2 : 1;
      next = {
        ...next,
        dose: { ...item.dose, amount: pullAmount(item.dose.amount, (n) => clamp(n + repsBy * step, 1, MAX_AMOUNT)) },
      };
    }
    if (loadBy !== 0) next = pullLoad(next, loadBy, library.scales) ?? next;
    if (words(next) === words(item)) return item;
    changes.push({ item: i, name, from: words(item), to: words(next) });
    return next;
  });
  return changes.length === 0 ? { block, changes } : { block: { ...block, items }, changes };
}
