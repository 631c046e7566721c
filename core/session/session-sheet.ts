import { formOf } from '../forms/forms.ts';
import { formatClock } from '../words/format-clock.ts';
import { isWork, itemDetails, itemName, speakDose } from '../words/describe-item.ts';
import type { Block, Item, SessionDocument } from '../document/document.ts';
import { blockName, describeBlock, formatMinutes } from './explain.ts';
import { wholeMinutes } from '../words/words.ts';
import type { SessionPlan } from './plan.ts';

/** One line of a block as a participant reads it. */
export interface SheetLine {
  /** What stands in front: reps, time; empty where nothing does. */
  readonly figure: string;
  /** Absent for a rest. */
  readonly name?: string;
  /** The movements that it may be, for looking up how they are done. */
  readonly choices?: readonly string[];
  readonly details?: string;
}

export interface SheetBlock {
  readonly name: string;
  /** Its rule in words, and how long it takes. */
  readonly rule: string;
  readonly lines: readonly SheetLine[];
  /** After it, in words. */
  readonly thenRest?: string;
}

/** A session as a participant reads it, in words: all that their page shows of it but the ribbon. */
export interface SessionSheet {
  readonly title: string;
  /** `12 min`, and where it is an estimate its range. */
  readonly length: string;
  readonly range: string;
  readonly effort: number | null;
  readonly kit: string;
  readonly note: string;
  readonly blocks: readonly SheetBlock[];
}

/** `0:40`, or `30, 40, 50 s` where it changes by round. */
const workTimes = (workSec: readonly number[]): string =>
  workSec.length === 0 ? '' : workSec.length === 1 ? formatClock(workSec[0]!) : `${workSec.join(', ')} s`;

function toLine(item: Item, block: Block): SheetLine {
  if (!isWork(item)) return { figure: item.sec ? formatClock(item.sec) : '' };
  const hasOwnNumber = item.dose !== undefined && item.dose.kind !== 'given';
  const { figure } = speakDose(item.dose, hasOwnNumber ? undefined : block.count);
  const details = itemDetails(item, block.count).join(' · ');
  return {
    figure: figure || workTimes(formOf(block.time).pulse(block.time)?.workSec ?? []),
    name: itemName(item),
    choices: item.choices.map((c) => c.name),
    ...(details !== '' && { details }),
  };
}

/** Puts a session into words. `blocks` are the document's with routines written out, `plan` is theirs. */
export function buildSheet(document: SessionDocument, blocks: readonly Block[], plan: SessionPlan): SessionSheet {
  const [low, high] = [wholeMinutes(plan.clockSec.low), wholeMinutes(plan.clockSec.high)];
  return {
    title: document.title ?? 'Today’s session',
    length: formatMinutes(plan.clockSec),
    range: low === high ? '' : `${low} to ${high}`,
    effort: document.effort ?? null,
    kit:
      plan.kit.length === 0
        ? 'nothing but yourself'
        : plan.kit.map((k) => (k === 'wall' ? 'a free wall' : k)).join(', '),
    note: document.note ?? '',
    blocks: blocks.map((block, i): SheetBlock => {
      const own = plan.blocks[i]!;
      return {
        name: blockName(block),
        rule: `${describeBlock(block, own)} · ${formatMinutes(own.clockSec)}`,
        lines: block.items.map((item) => toLine(item, block)),
        ...(block.thenRestSec !== undefined && { thenRest: `then rest ${formatClock(block.thenRestSec)}` }),
      };
    }),
  };
}
