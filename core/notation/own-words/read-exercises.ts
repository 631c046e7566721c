import { MAX_DURATION_SEC } from '../../limits.ts';
import { openBlock } from './build-blocks.ts';
import { takeRow } from './item-phrases.ts';
import { findExercises } from './tables.ts';
import type { Piece } from './piece.ts';
import { toNumber, toSeconds } from './spoken-numbers.ts';
import { Strip } from './strip.ts';
import type { Target, State } from './reading-state.ts';
import { open, blockTarget, take, takeAll } from './reading-state.ts';
import { keepAsNote } from './keep-words.ts';

/** Reads the table of movements that a stretch begins with; where what follows it begins. */
export function readTable(state: State, { start, end }: { readonly start: number; readonly end: number }): number {
  const table = start === 0 ? findExercises(state.source.slice(0, end)) : undefined;
  if (!table) return start;
  take(state, table.head.start, table.head.end, 'role', null);
  for (const row of table.rows) {
    if (!row.name) continue;
    const strips = (['reps', 'load', 'tempo', 'name'] as const).flatMap((kind) => {
      const cell = row[kind];
      return cell ? [{ kind, strip: new Strip(state.source, cell.start, cell.end) }] : [];
    });
    const item = takeRow(strips, state.library);
    const name = strips.at(-1)!.strip;
    if (!item) {
      keepAsNote(state, new Strip(state.source, name.start, name.start + name.text.length));
      continue;
    }
    const sets = row.sets ? toNumber(state.source.slice(row.sets.start, row.sets.end)) : undefined;
    const count = sets !== undefined && Number.isInteger(sets) && sets >= 1 ? sets : undefined;
    const rest = row.rest ? readRestCell(state, row.rest) : undefined;
    const block = open(
      state,
      openBlock('Main', {
        ...(count !== undefined && { rounds: { low: count, high: count } }),
        ...(rest !== undefined && { between: { of: 'rounds', lowSec: rest, highSec: rest } }),
      }),
    );
    block.items.push(item.item);
    block.sets.push(undefined);
    state.items++;
    const doubtTarget: Target = { kind: 'item', block: state.blocks.length - 1, item: 0 };
    state.doubts.push(...item.doubts.map((d) => ({ ...d, target: doubtTarget })));
    for (const kind of ['sets', 'rest'] as const)
      if (row[kind]) takeCell(state, row[kind], kind === 'sets' ? 'count' : 'rest', blockTarget(state));
    const target: Target = { kind: 'item', block: state.blocks.length - 1, item: 0 };
    for (const { strip } of strips) takeAll(state, strip, target);
    if (row.note) keepAsNote(state, new Strip(state.source, row.note.start, row.note.end));
  }
  return table.end;
}

function takeCell(
  state: State,
  { start, end }: { readonly start: number; readonly end: number },
  as: Piece['as'],
  target: Target,
): void {
  const said = state.source.slice(start, end);
  take(state, start + said.length - said.trimStart().length, start + said.trimEnd().length, as, target);
}

/** Seconds of rest in a cell; a bare number from 10 on is seconds. */
function readRestCell(
  state: State,
  { start, end }: { readonly start: number; readonly end: number },
): number | undefined {
  const said = state.source.slice(start, end).trim();
  const sec = toSeconds(said, /^\d{1}$/.test(said) ? 60 : 1);
  return Number.isInteger(sec) && sec > 0 && sec <= MAX_DURATION_SEC ? sec : undefined;
}
