import type { Block, WorkItem } from '../../document/document.ts';
import { asCounted, withOption } from '../../document/option.ts';
import type { FewerFrom } from '../../clock/fewer.ts';
import { printClauses } from '../../notation/print.ts';
import type { SessionPlan } from '../../session/plan.ts';
import { isWork } from '../../words/describe-item.ts';

/** A short fingerprint of a text (FNV-1a, 64 bits, as base 36): the same on every machine. */
export function fingerprint(text: string): string {
  let hash = 0xcbf29ce484222325n;
  for (let i = 0; i < text.length; i++)
    hash = ((hash ^ BigInt(text.charCodeAt(i))) * 0x100000001b3n) & (2n ** 64n - 1n);
  return hash.toString(36);
}

/** A line without what is only told of it: remarks, neighbours, and whether it is a surprise. */
function asDone(line: WorkItem): WorkItem {
  const { comments: _c, words: _w, easier: _e, harder: _h, surprise: _s, cue: _cue, watch: _watch, ...item } = line;
  return item;
}

type Chosen = readonly { readonly item: number; readonly to: string }[];
type Line = { readonly rest: number | null } | { readonly work: WorkItem };

/** The lines of a block as they were done, in the shapes that were chosen. */
function doneLines(block: Block, chosen: Chosen): Line[] {
  const bare = (line: WorkItem, to: string | undefined): WorkItem => {
    const item = asDone(line);
    const option = item.choices.findIndex((c, n) => n > 0 && c.name === to);
    if (option > 0 && !item.inTurn) return withOption(item, option);
    return { ...item, choices: item.choices.map((c, n) => (n === 0 && to !== undefined ? { ...c, name: to } : c)) };
  };
  return block.items.flatMap((item, i): Line[] => {
    const to = chosen.find((c) => c.item === i)?.to;
    return !isWork(item) ? [{ rest: item.sec ?? null }] : to === '' ? [] : [{ work: bare(item, to) }];
  });
}

/** The rules of a block in words, without what makes no difference to its score. */
function comparedClauses(block: Block): readonly string[] {
  const {
    count,
    thenRestSec: _rest,
    source: _source,
    scored: _scored,
    comments: _comments,
    film: _film,
    ...rules
  } = block;
  return printClauses({ ...rules, ...(count && { count }), items: [] });
}

/** Rules and lines of a block as it was done: what is equal here was the same work. */
export const comparedText = (block: Block, chosen: Chosen): string =>
  JSON.stringify([comparedClauses(block), doneLines(block, chosen)]);

/**
 * What two scores must have in common to be held against each other: the same kind of score by the same clock, of the same movements
 * in the same shapes with the same doses. `block` is the one that was done (fitted), `chosen` are shapes that were changed on the
 * way; so are turns from which fewer repetitions were done. Role, name, film, remarks, neighbours and the rest after it make no difference. A lone movement for the most repetitions is told by its time
 * and its shape alone, by whatever clock. Empty where the block has no score.
 */
export function scoreKey(
  block: Block,
  plan: SessionPlan['blocks'][number],
  chosen: Chosen = [],
  fewer: readonly FewerFrom[] = [],
): string {
  if (!plan.scoreForm) return '';
  const lines = doneLines(block, chosen);
  const { kind } = plan.scoreForm;
  const isExact = plan.clockSec.low === plan.clockSec.high;
  const only = lines[0] && 'work' in lines[0] ? lines[0].work : undefined;
  if (kind === 'reps' && only && lines.length === 1 && isExact && plan.sets === 1 && !block.count)
    return fingerprint(JSON.stringify(['most', plan.workSec, only.choices[0]!.name, asCounted(only).load ?? null]));
  const header = comparedClauses(block);
  return fingerprint(JSON.stringify([kind, header, lines, ...(fewer.length > 0 ? [fewer] : [])]));
}

/** The repetitions of one round where every round has the same of every line; undefined where nobody can tell. */
export function repsOfRound({ items, count }: Pick<Block, 'items' | 'count'>): number | undefined {
  const works = items.filter(isWork);
  const reps = works.map(({ dose }) =>
    dose?.kind === 'reps' && dose.amount.kind === 'fixed' ? dose.amount.value * (dose.sides === 'each' ? 2 : 1) : NaN,
  );
  const sum = reps.reduce((a, b) => a + b, 0);
  return count === undefined && sum > 0 ? sum : undefined;
}
