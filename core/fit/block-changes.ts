import type { Block, WorkItem } from '../document/document.ts';
import { printClauses, printDose, printLoad } from '../notation/print.ts';
import { isWork } from '../words/describe-item.ts';
import type { FitChange } from './fit-change.ts';

/** The place of a change that is the block's own: its rounds, times or rests. */
export const OF_BLOCK = -1;

const doseWords = (item: Block['items'][number]): string =>
  isWork(item)
    ? [item.dose ? printDose(item.dose) : '', item.load ? printLoad(item.load) : ''].filter(Boolean).join(' ')
    : '';

const countOf = ({ dose }: WorkItem): number | undefined =>
  dose?.kind === 'reps' && dose.amount.kind === 'fixed' ? dose.amount.value : undefined;
const roundsOf = ({ rounds }: Block): number | undefined =>
  rounds && rounds.low === rounds.high ? rounds.low : undefined;
const timesOf = (before: number | undefined, after: number | undefined): Pick<FitChange, 'times'> =>
  before === undefined || after === undefined || before === after ? {} : { times: after / before };

/** What one of two versions of a block has otherwise: its own clauses first, then line by line. Both have the same lines. */
export function blockChanges(
  before: Block,
  after: Block,
  said: Pick<FitChange, 'block' | 'how' | 'reason' | 'isScored'>,
): FitChange[] {
  const changes: FitChange[] = [];
  const [was, is] = [printClauses(before), printClauses(after)];
  const from = was.filter((c) => !is.includes(c)).join(', ');
  const to = is.filter((c) => !was.includes(c)).join(', ');
  const name = before.label ?? before.role;
  if (from !== to)
    changes.push({
      ...said,
      item: OF_BLOCK,
      from: name,
      to: name,
      dose: { from: from || 'nothing', to: to || 'nothing' },
      ...timesOf(roundsOf(before), roundsOf(after)),
    });
  for (const [i, old] of before.items.entries()) {
    const now = after.items[i]!;
    if (!isWork(old) || !isWork(now)) continue;
    const dose = { from: doseWords(old), to: doseWords(now) };
    const names = { from: old.choices[0]!.name, to: now.choices[0]!.name };
    if (dose.from === dose.to && names.from === names.to) continue;
    changes.push({
      ...said,
      item: i,
      ...names,
      ...(dose.from !== dose.to && { dose: { from: dose.from || 'as said', to: dose.to || 'as said' } }),
      ...timesOf(countOf(old), countOf(now)),
    });
  }
  return changes;
}
