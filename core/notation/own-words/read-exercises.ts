import type { Role } from '../../document/document.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS } from '../../limits.ts';
import { MAX_BLOCKS, MAX_ITEMS } from '../parse.ts';
import type { OpenBlock } from './build-blocks.ts';
import { openBlock } from './build-blocks.ts';
import type { TableRow } from './exercise-table.ts';
import { takeRole } from './phrases/role-phrases.ts';
import type { ItemFacts } from './phrases/item-phrases.ts';
import { takeRow } from './phrases/item-phrases.ts';
import { keepAsNote } from './keep-words.ts';
import type { Piece } from './piece.ts';
import type { Target, State } from './reading-state.ts';
import { blockTarget, current, open, take, takeAll } from './reading-state.ts';
import { toNumber, toSeconds } from './phrases/spoken-numbers.ts';
import { Strip } from './phrases/strip.ts';
import type { Stretch } from './tables.ts';

/** Reads the rows of a table of movements: one after the other, those of a group together. */
export function readRows(state: State, rows: readonly TableRow[]): void {
  let group = '';
  for (const row of rows) {
    if (!row.name) {
      for (const cell of Object.values(row)) if (cell !== row.day) keepAsNote(state, stripOf(state, cell));
      continue;
    }
    const strips = (['setsByReps', 'reps', 'load', 'tempo', 'note', 'name'] as const).flatMap((kind) => {
      const cell = row[kind];
      return cell ? [{ kind, strip: stripOf(state, cell) }] : [];
    });
    const item = takeRow(strips, state.library);
    if (!item || state.items >= MAX_ITEMS || state.blocks.length >= MAX_BLOCKS) {
      keepAsNote(state, stripOf(state, row.name));
      continue;
    }
    const named = wordsOf(state, row.group ?? row.role).replace(/^([A-Za-z])\d$/, '$1');
    const facts = factsOf(state, row, item);
    const block = current(state);
    const joins =
      block !== undefined &&
      block.items.length > 0 &&
      (named === '' ? group !== '' : named === group) &&
      (facts.rounds === undefined || facts.rounds.high === block.facts.rounds?.high);
    if (named !== '') group = named;
    const target = joins ? block : open(state, partOf(state, row));
    Object.assign(target.facts, facts);
    addRow(state, target, item, row, strips);
  }
}

/** A block for a row that begins one: its part of the session and its letter, where the row names them. */
function partOf(state: State, row: TableRow): OpenBlock {
  const isNamed = row.role ?? row.group;
  const role: Role = (isNamed && takeRole(stripOf(state, isNamed))?.role) ?? current(state)?.role ?? 'Main';
  const letter = /^[A-Ha-h](?=\d?$)/.exec(wordsOf(state, row.group))?.[0].toUpperCase();
  const isTaken = state.blocks.some((b) => b.label === letter);
  return { ...openBlock(role), ...(letter !== undefined && !isTaken && { label: letter }) };
}

function factsOf(state: State, row: TableRow, item: ItemFacts): OpenBlock['facts'] {
  const said = row.sets ? toNumber(wordsOf(state, row.sets).replace(/\s*x$/i, '')) : item.sets;
  const count = said !== undefined && Number.isInteger(said) && said >= 1 && said <= MAX_ROUNDS ? said : undefined;
  const rest = row.rest ? readRestCell(wordsOf(state, row.rest)) : undefined;
  return {
    ...(count !== undefined && { rounds: { low: count, high: count } }),
    ...(rest !== undefined && { between: { of: 'rounds', lowSec: rest, highSec: rest } }),
  };
}

function addRow(
  state: State,
  block: OpenBlock,
  item: ItemFacts,
  row: TableRow,
  strips: readonly { readonly strip: Strip }[],
): void {
  block.items.push(item.item);
  block.sets.push(undefined);
  state.items++;
  const target: Target = { kind: 'item', block: state.blocks.length - 1, item: block.items.length - 1 };
  state.doubts.push(...item.doubts.map((d) => ({ ...d, target })));
  for (const [kind, as] of [
    ['role', 'role'],
    ['group', 'role'],
    ['sets', 'count'],
    ['rest', 'rest'],
  ] as const)
    if (row[kind]) takeCell(state, row[kind], as, blockTarget(state));
  for (const { strip } of strips) takeAll(state, strip, target);
}

const stripOf = (state: State, { start, end }: Stretch): Strip => new Strip(state.source, start, end);
const wordsOf = (state: State, cell: Stretch | undefined): string =>
  cell === undefined ? '' : state.source.slice(cell.start, cell.end).trim();

/** Takes a whole cell for one thing. */
export function takeCell(state: State, { start, end }: Stretch, as: Piece['as'], target: Target): void {
  const said = state.source.slice(start, end);
  take(state, start + said.length - said.trimStart().length, start + said.trimEnd().length, as, target);
}

/** Seconds of rest in a cell; a bare number from 10 on is seconds. */
function readRestCell(said: string): number | undefined {
  const sec = toSeconds(said, /^\d{1}$/.test(said) ? 60 : 1);
  return Number.isInteger(sec) && sec > 0 && sec <= MAX_DURATION_SEC ? sec : undefined;
}
