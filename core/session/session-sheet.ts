import { sessionTitle } from './session-title.ts';
import { listedNumbers } from '../forms/count.ts';
import { formOf } from '../forms/forms.ts';
import { hasOptions } from '../document/option.ts';
import { servesAs } from '../movement/kit.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { formatClock } from '../words/format-clock.ts';
import { isWork, itemDetails, itemName, neighbourWords, speakDose, SURPRISE } from '../words/describe-item.ts';
import type { Block, Item, SessionDocument, WorkItem } from '../document/document.ts';
import { blockName, describeBlock, formatMinutes, ruleLines } from './explain/explain.ts';
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
  /** Films of the coach's own of what it may be. */
  readonly films?: readonly Film[];
}

/** A film of the coach's own: a plain link, never fetched. */
export interface Film {
  /** The movement or the block that it shows. */
  readonly of: string;
  readonly url: string;
}

export interface SheetBlock {
  readonly name: string;
  /** Its rule in words, and how long it takes. */
  readonly rule: string;
  /** Its further rules, a line each: rests, caps, sets, turns. */
  readonly rules: readonly string[];
  readonly lines: readonly SheetLine[];
  readonly film?: string;
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

function toLine(item: Item, block: Block, library: MovementLibrary): SheetLine {
  if (!isWork(item)) return { figure: item.sec ? formatClock(item.sec) : '' };
  // How much of it, and with what, would tell what it is.
  if (item.surprise) return { figure: '', name: SURPRISE };
  const form = formOf(block.time);
  // A list by round stands once, in the header; only a single number is each line's own.
  const isListed = listedNumbers(block.count).length > 1;
  const { figure } = speakDose(item.dose, isListed || hasOwnNumber(item) ? undefined : block.count);
  const details = [
    ...itemDetails(item, block.count),
    ...(hasOptions(item) ? ['your choice'] : []),
    ...neighbourWords(item),
  ].join(' · ');
  const films = item.choices.flatMap(({ name }): Film[] => {
    const url = library.findByName(name)?.film;
    return url === undefined || url === '' ? [] : [{ of: name, url }];
  });
  return {
    figure: figure || workTime(form.rule.pulse(block.time)?.workSec ?? []),
    name: item.inTurn ? `a new one each ${form.words.turnWord}` : itemName(item),
    choices: [...item.choices.map((c) => c.name), ...[item.easier ?? [], item.harder ?? []].flat()],
    ...(details !== '' && { details }),
    ...(films.length > 0 && { films }),
  };
}

/** What is needed. Where a movement is unknown it may need what was announced, which is passed on as it was announced. */
function kitWords(announced: readonly string[] | undefined, { kit: needed, movements }: SessionPlan): string {
  const said = movements.every((m) => m.known) ? [] : (announced ?? []);
  const beside = needed.filter((piece) => !said.some((a) => servesAs(a, piece)));
  const all = [...said, ...beside.map((piece) => (piece === 'wall' ? 'a free wall' : piece))];
  return all.length === 0 ? 'nothing but yourself' : all.join(', ');
}

/** Puts a session into words. `blocks` are the document's with routines written out, `plan` is theirs; `library` has the films. */
export function buildSheet(
  document: SessionDocument,
  blocks: readonly Block[],
  plan: SessionPlan,
  library: MovementLibrary,
): SessionSheet {
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
        lines: block.items.map((item) => toLine(item, block, library)),
        ...(block.film !== undefined && { film: block.film }),
        ...(block.thenRestSec !== undefined && { thenRest: `then rest ${formatClock(block.thenRestSec)}` }),
      };
    }),
  };
}

/** All films of a session, each once: its own, its blocks', its movements'. */
export function sheetFilms({ title, film, blocks }: SessionSheet): Film[] {
  const all: Film[] = [
    ...(film === null ? [] : [{ of: title, url: film }]),
    ...blocks.flatMap((b) => [
      ...(b.film === undefined ? [] : [{ of: b.name, url: b.film }]),
      ...b.lines.flatMap((line) => line.films ?? []),
    ]),
  ];
  return all.filter((f, i) => all.findIndex((other) => other.of === f.of && other.url === f.url) === i);
}
