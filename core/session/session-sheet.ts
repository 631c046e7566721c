import { sessionTitle } from './session-title.ts';
import { listedNumbers } from '../forms/count.ts';
import { formOf } from '../forms/forms.ts';
import { servesAs } from '../movement/kit.ts';
import { formatClock } from '../words/format-clock.ts';
import { isWork, itemDetails, itemName, speakDose } from '../words/describe-item.ts';
import type { Block, Item, SessionDocument, WorkItem } from '../document/document.ts';
import { blockName, describeBlock, formatMinutes, ruleLines } from './explain.ts';
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
  /** Its further rules, a line each: rests, caps, sets, turns. */
  readonly rules: readonly string[];
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
  /** A film of the coach's own; null where there is none. */
  readonly film: string | null;
  readonly blocks: readonly SheetBlock[];
}

/** `0:40`; where it changes by round it stands once, in the header. */
const workTime = (workSec: readonly number[]): string => (workSec.length === 1 ? formatClock(workSec[0]!) : '');

const hasOwnNumber = (item: WorkItem): boolean => item.dose !== undefined && item.dose.kind !== 'given';

function toLine(item: Item, block: Block): SheetLine {
  if (!isWork(item)) return { figure: item.sec ? formatClock(item.sec) : '' };
  const form = formOf(block.time);
  // A list by round stands once, in the header; only a single number is each line's own.
  const isListed = listedNumbers(block.count).length > 1;
  const { figure } = speakDose(item.dose, isListed || hasOwnNumber(item) ? undefined : block.count);
  const details = [
    ...itemDetails(item, block.count),
    ...(item.choices.length > 1 && !item.inTurn ? ['your choice'] : []),
  ].join(' · ');
  return {
    figure: figure || workTime(form.pulse(block.time)?.workSec ?? []),
    name: item.inTurn ? `a new one each ${form.turnWord}` : itemName(item),
    choices: item.choices.map((c) => c.name),
    ...(details !== '' && { details }),
  };
}

/** What is needed. Where a movement is unknown it may need what was announced, which is passed on as it was announced. */
function kitWords(announced: readonly string[] | undefined, { kit: needed, movements }: SessionPlan): string {
  const said = movements.every((m) => m.known) ? [] : (announced ?? []);
  const beside = needed.filter((piece) => !said.some((a) => servesAs(a, piece)));
  const all = [...said, ...beside.map((piece) => (piece === 'wall' ? 'a free wall' : piece))];
  return all.length === 0 ? 'nothing but yourself' : all.join(', ');
}

/** Puts a session into words. `blocks` are the document's with routines written out, `plan` is theirs. */
export function buildSheet(document: SessionDocument, blocks: readonly Block[], plan: SessionPlan): SessionSheet {
  const [low, high] = [wholeMinutes(plan.clockSec.low), wholeMinutes(plan.clockSec.high)];
  return {
    title: sessionTitle(document) || 'Today’s session',
    length: formatMinutes(plan.clockSec),
    range: low === high ? '' : `${low} to ${high}`,
    effort: document.effort ?? null,
    kit: kitWords(document.kit, plan),
    note: document.note ?? '',
    film: document.film ?? null,
    blocks: blocks.map((block, i): SheetBlock => {
      const own = plan.blocks[i]!;
      return {
        name: blockName(block),
        rule: `${describeBlock(block, own)} · ${formatMinutes(own.clockSec)}`,
        rules: ruleLines(block),
        lines: block.items.map((item) => toLine(item, block)),
        ...(block.thenRestSec !== undefined && { thenRest: `then rest ${formatClock(block.thenRestSec)}` }),
      };
    }),
  };
}
