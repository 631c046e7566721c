import { leadLines } from './lead-lines.ts';
import { nextRoutines } from './next-routine.ts';
import type {
  Amount,
  Block,
  Choice,
  Comments,
  Dose,
  Item,
  Load,
  SessionDocument,
  SessionField,
  Sides,
  Tempo,
  WorkItem,
} from '../document/document.ts';
import { SESSION_FIELDS } from '../document/document.ts';
import { assertNever } from '../assert-never.ts';
import { sameData } from '../same-data.ts';
import { Cursor, UnreadableError } from '../text/cursor.ts';
import { printCount } from '../forms/count.ts';
import { formOf } from '../forms/forms.ts';
import { spanWords } from '../forms/rounds.ts';
import { formatClock } from '../words/format-clock.ts';
import type { MovementNames } from './read-item.ts';
import { readItem } from './read-item.ts';
import { beginsLikeHeader } from '../text/header-start.ts';
import { printSideList, sideListLength } from './side-list.ts';
import { tokenizeLine } from '../text/tokens.ts';

/**
 * Writes a session document as notation. Reading the text again with the same `names` gives the same
 * document. Blocks are set apart by a blank line; clauses and modifiers stand in one fixed order.
 */
export function printSession(document: SessionDocument, names: MovementNames): string {
  const lines: string[] = [];
  for (const field of SESSION_FIELDS) {
    const value = fieldValue(document, field);
    if (value !== undefined) pushLine(lines, `${field}: ${value}`, document.comments?.[field]);
  }
  for (const block of document.blocks) {
    if (lines.length > 0) lines.push('');
    pushLine(lines, printHeader(block), block.comments);
    lines.push(...leadLines(block));
    for (const { text, comments } of itemLines(block.items, names)) pushLine(lines, text, comments);
  }
  for (const comment of document.comments?.end?.before ?? []) lines.push(`# ${comment}`);
  return lines.length === 0 ? '' : `${lines.join('\n')}\n`;
}

/** The lines of a block's items: one each, and one for a list that is done with one side and then with the other. */
export function itemLines(
  items: readonly Item[],
  names: MovementNames,
): { readonly text: string; readonly comments: Comments | undefined }[] {
  const lines: { text: string; comments: Comments | undefined }[] = [];
  for (let at = 0; at < items.length;) {
    const item = items[at]!;
    const length = sideListLength(items, at);
    const list = length === 0 ? undefined : printSideList(items.slice(at, at + length), (i) => printItem(i, names));
    lines.push({ text: list ?? printItem(item, names), comments: item.comments });
    at += list === undefined ? 1 : length;
  }
  return lines;
}

function pushLine(lines: string[], text: string, comments: Comments | undefined): void {
  for (const comment of comments?.before ?? []) lines.push(`# ${comment}`);
  lines.push(comments?.after ? `${text}  # ${comments.after}` : text);
}

function fieldValue(document: SessionDocument, field: SessionField): string | undefined {
  switch (field) {
    case 'Title':
      return document.title;
    case 'Target':
      return document.targetSec === undefined ? undefined : printTarget(document.targetSec);
    case 'Group':
      return document.groupSize === undefined ? undefined : `${document.groupSize} people`;
    case 'Kit':
      return document.kit === undefined ? undefined : document.kit.length === 0 ? 'none' : document.kit.join(', ');
    case 'Effort':
      return document.effort === undefined ? undefined : String(document.effort);
    case 'Retest':
      return document.retest;
    case 'Note':
      return document.note;
    case 'Film':
      return document.film;
    default:
      return assertNever(field);
  }
}

const printTarget = (sec: number) => (sec % 60 === 0 ? `${sec / 60} min` : formatClock(sec));

/** The header line of a block, with its colon. */
export function printHeader(block: Block): string {
  const label =
    block.label === undefined ? '' : ` (${/^[\p{L}\p{N} '-]+$/u.test(block.label) ? block.label : `"${block.label}"`})`;
  return `${block.role}${label}: ${printClauses(block).join(', ')}`.trimEnd();
}

const UNHURRIED = formOf({ kind: 'flow' });

/** The clauses of a block's header, in the order in which they are printed. */
export function printClauses(block: Block): string[] {
  const { count, between, sets, source, time } = block;
  const clauses: string[] = [];
  if (source?.kind === 'same-as') clauses.push(`same as "${source.label}"`);
  // Routines of which each week takes the next stand in a line of their own.
  else if (source && !source.next) clauses.push(`routine "${source.name}"`);
  // A bare reference has no rules of its own.
  if (!source || nextRoutines(block).length > 0 || formOf(time) !== UNHURRIED)
    clauses.push(...formOf(time).notation.print(time, block));
  if (block.rounds) clauses.push(`${spanWords(block.rounds)} ${block.rounds.high === 1 ? 'round' : 'rounds'}`);
  if (count && !block.relay) clauses.push(printCount(count));
  if (between) {
    const range =
      between.lowSec === between.highSec
        ? formatClock(between.lowSec)
        : `${formatClock(between.lowSec)} to ${formatClock(between.highSec)}`;
    clauses.push(`rest ${range} between ${between.of}`);
  }
  if (sets)
    clauses.push(
      `${sets.count} ${sets.count === 1 ? 'set' : 'sets'}`,
      ...(sets.restSec ? [`rest ${formatClock(sets.restSec)}`] : []),
    );
  if (block.thenRestSec) clauses.push(`then rest ${formatClock(block.thenRestSec)}`);
  if (block.scored) clauses.push('scored');
  if (block.pacePerMin !== undefined) clauses.push(`pace ${block.pacePerMin} a minute`);
  return clauses;
}

/** One item as one line; a name that would read back otherwise is put in quotation marks. */
export function printItem(item: Item, names: MovementNames): string {
  if (item.kind === 'rest') return item.sec === undefined ? 'rest' : `${formatClock(item.sec)} rest`;
  const plain = printWork(item, (name) => name);
  if (readsBackAs(plain, item, names)) return plain;
  return printWork(item, (name) => `"${name}"`);
}

function readsBackAs(text: string, item: WorkItem, names: MovementNames): boolean {
  const { tokens, comment, issues } = tokenizeLine(text, 1);
  if (issues.length > 0 || comment !== undefined || tokens.length === 0) return false;
  // A line that begins like a header or a session line would not be read as an item at all.
  if (beginsLikeHeader(text) || tokens.some((t) => t.text === ':')) return false;
  try {
    const { comments: _comments, ...bare } = item;
    return sameData(readItem(new Cursor(tokens, 1, text), names).item, bare);
  } catch (error) {
    if (error instanceof UnreadableError) return false;
    throw error;
  }
}

function printWork(item: WorkItem, quote: (name: string) => string): string {
  const parts: string[] = [];
  if (item.dose) parts.push(printDose(item.dose));
  if (item.side) parts.push(item.side);
  parts.push(
    item.inTurn
      ? `[${item.choices.map((c) => quote(c.name)).join(', ')}]`
      : item.choices.map((c) => printChoice(c, quote)).join(' or '),
  );
  return [parts.join(' '), ...printModifiers(item, quote)].join(', ');
}

const printChoice = (choice: Choice, quote: (name: string) => string) =>
  [
    ...(choice.dose ? [printDose(choice.dose)] : []),
    quote(choice.name),
    ...(choice.tempo ? [printTempo(choice.tempo)] : []),
    ...(choice.pauseSec ? [`pause ${choice.pauseSec}s`] : []),
    ...(choice.load ? [printLoad(choice.load)] : []),
  ].join(' ');

const printTempo = ({ downSec, pauseSec, upSec }: Tempo) => `tempo ${downSec}-${pauseSec}-${upSec}`;

const SIDES: Record<Sides, string> = { each: '/side', alternate: ' alt', pairs: ' pairs' };

/** A dose as it stands before a movement: `10/side`, `0:30`, `3 to 5`. */
export function printDose(dose: Dose): string {
  switch (dose.kind) {
    case 'reps':
      return `${printAmount(dose.amount, String)}${dose.sides ? SIDES[dose.sides] : ''}`;
    case 'time': {
      const { amountSec } = dose;
      const seconds = amountSec.kind === 'list' || amountSec.kind === 'growing';
      return `${seconds ? `${printAmount(amountSec, String)}s` : printAmount(amountSec, formatClock)}${dose.sides ? '/side' : ''}`;
    }
    case 'distance':
      return `${dose.metres} m${dose.sides ? SIDES[dose.sides] : ''}`;
    case 'energy':
      return `${dose.kcal} cal`;
    case 'max':
      return `max${dose.sides ? SIDES[dose.sides] : ''}`;
    case 'given':
      return dose.sides === 'each' ? 'each side' : dose.sides === 'alternate' ? 'alt' : 'pairs';
    default:
      return assertNever(dose);
  }
}

function printAmount(amount: Amount, print: (value: number) => string): string {
  switch (amount.kind) {
    case 'fixed':
      return print(amount.value);
    case 'range':
      return `${print(amount.low)} to ${print(amount.high)}`;
    case 'list':
      return amount.values.map(print).join('-');
    case 'growing':
      return `${print(amount.start)}+${print(amount.step)}`;
    default:
      return assertNever(amount);
  }
}

/** A weight as it stands behind a movement: `@ 12 kg`, `@ 70%`. */
export function printLoad(load: Load): string {
  switch (load.kind) {
    case 'weight':
      return `@ ${load.pieces === 1 ? '' : `${load.pieces}x`}${[load.kg, ...(load.laterKg ?? [])].join('/')} kg`;
    case 'share':
      return `@ ${load.pct}%`;
    case 'effort':
      return `@ effort ${load.effort}`;
    case 'step':
      return `@ ${load.step}`;
    default:
      return assertNever(load);
  }
}

function printModifiers(item: WorkItem, quote: (name: string) => string): string[] {
  const { tempo, pauseSec, thenHold, load } = item;
  return [
    ...(tempo ? [printTempo(tempo)] : []),
    ...(pauseSec ? [`pause ${pauseSec}s`] : []),
    ...(thenHold === undefined
      ? []
      : [thenHold === 'by-count' ? 'then hold by count' : `then hold ${formatClock(thenHold)}`]),
    ...(load ? [printLoad(load)] : []),
    ...(item.halfEachSide ? ['half each side'] : []),
    ...(item.mayBeSplit ? ['may be split'] : []),
    ...(item.speed ? [item.speed] : []),
    ...(item.easier === undefined ? [] : [`easier ${quote(item.easier)}`]),
    ...(item.harder === undefined ? [] : [`harder ${quote(item.harder)}`]),
    ...(item.surprise ? ['a surprise'] : []),
    ...(item.atLeast === undefined ? [] : [`at least ${item.atLeast}`]),
    ...(item.cue === undefined ? [] : [`cue "${item.cue}"`]),
    ...(item.watch === undefined ? [] : [`watch "${item.watch}"`]),
    ...(item.words ?? []).map((w) => `"${w}"`),
  ];
}
