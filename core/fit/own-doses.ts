import type { Block, WorkItem } from '../document/document.ts';
import { formOf } from '../forms/forms.ts';
import { pullLoad, pullReps } from '../forms/pull-item.ts';
import { pullRests } from '../forms/pull-rest.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { OwnDose, OwnLever } from '../movement/own-dose.ts';
import { isWork } from '../words/describe-item.ts';

const isMain = ({ role }: Block): boolean => role === 'Main' || role === 'Finisher';

/**
 * A block with someone's own counts, weights, rounds and rests. What is agreed for a movement goes for it in every block, what is agreed
 * for all for the counted lines of main work. Nothing falls below one repetition; what has no number stays, and with it the same block.
 */
export function withOwnDoses(block: Block, doses: readonly OwnDose[], library: MovementLibrary): Block {
  const pulled = isMain(block)
    ? doses.reduce((own, d) => (d.lever ? pullOwn(own, d.lever, d.leverBy ?? 0) : own), block)
    : block;
  const items = pulled.items.map((item) => (isWork(item) ? withOwnCount(item, isMain(block), doses, library) : item));
  return items.every((item, i) => item === pulled.items[i]) ? pulled : { ...pulled, items };
}

/** A block with more or less of what makes it up: rounds, work, rests or its clock; the same where it has none of it. */
function pullOwn(block: Block, lever: OwnLever, by: number): Block {
  if (lever === 'rest') return pullRests(block, by);
  const { time } = block;
  return (
    (block.items.length === 0 ? null : formOf(time).levers.answers[lever])?.pull(time, by, block, undefined) ?? block
  );
}

/** A line with the count and the weight that someone has of it. */
function withOwnCount(
  item: WorkItem,
  isOfMain: boolean,
  doses: readonly OwnDose[],
  library: MovementLibrary,
): WorkItem {
  const id = library.findByName(item.choices[0]!.name)?.id;
  const own = doses.filter((d) => (d.movement === null ? isOfMain : d.movement === id));
  const repsBy = own.reduce((n, d) => n + (d.repsBy ?? 0), 0);
  const loadBy = own.reduce((n, d) => n + (d.loadBy ?? 0), 0);
  const counted = repsBy === 0 ? item : pullReps(item, repsBy);
  return loadBy === 0 ? counted : (pullLoad(counted, loadBy, library.scales) ?? counted);
}
