import type { SessionDocument } from '../../document/document.ts';
import { cutLetters } from '../../letters.ts';
import { MAX_BLOCKS, parseStrictly } from '../parse.ts';
import { printSession } from '../print.ts';
import { apart, holdsAll, readable, restBehind, toBlock } from './build-blocks.ts';
import { FILLERS } from './phrases/name-phrases.ts';
import type { Doubt, Piece } from './piece.ts';
import type { Target, OpenPiece, OpenDoubt, State } from './reading-state.ts';
import { isSaid } from './reading-state.ts';
import { keepBehind } from './keep-words.ts';
import { mayBeWork } from './phrases/open-words.ts';
import { inParts } from './phrases/word-parts.ts';

/** A plan in a coach's own words, read. Every letter and digit of the source lies in a piece, or is a bullet, a number of a list or an ornament. */
export interface OwnWords {
  /** Session notation; empty where nothing could be made of it. */
  readonly text: string;
  readonly pieces: readonly Piece[];
  readonly doubts: readonly Doubt[];
}

const MOST_NOTE = 400;

/** Lengths that are offered where none was said (common practice). */
const USUAL_LENGTHS_SEC = [480, 600, 720, 900, 1200];

/** Clocks that nothing gave a length: so long was taken, and it is asked. */
function askLengths(state: State): void {
  for (const [b, { facts }] of state.blocks.entries()) {
    const { time } = facts;
    if (!facts.lacksLength || (time?.kind !== 'span' && time?.kind !== 'slots')) continue;
    const piece = state.pieces.find((p) => p.as === 'clock' && p.target?.kind === 'block' && p.target.block === b);
    const takenSec = time.kind === 'span' ? time.sec : time.slots * time.slotSec;
    const lengthsSec = [...new Set([takenSec, ...USUAL_LENGTHS_SEC])];
    if (piece)
      state.doubts.push({
        start: piece.start,
        end: piece.end,
        facts: { code: 'no-length', lengthsSec },
        target: { kind: 'block', block: b },
      });
  }
}

/** Long turns with several movements: all of them were taken for each turn. */
function askTurns(state: State): void {
  for (const { facts, items } of state.blocks)
    if (facts.mayHoldAll && facts.time?.kind === 'slots' && items.filter((i) => i.kind === 'work').length > 1) {
      facts.holdsAll = true;
      facts.slotRounds ??= facts.time.slots;
    }
  for (const [b, block] of state.blocks.entries()) {
    const { time } = block.facts;
    if (time?.kind !== 'slots' || !holdsAll(block)) continue;
    const piece = state.pieces.find((p) => p.as === 'clock' && p.target?.kind === 'block' && p.target.block === b);
    if (piece)
      state.doubts.push({
        start: piece.start,
        end: piece.end,
        facts: { code: 'all-or-one', slotSec: time.slotSec },
        target: { kind: 'block', block: b },
      });
  }
}

/** Clocks under which nothing stands can't be kept as such: they are words behind what came before them, and it is asked. */
function askEmpty(state: State): void {
  for (const [b, { facts, items, words }] of state.blocks.entries()) {
    if (items.some((i) => i.kind === 'work')) continue;
    const isOf = (p: OpenPiece) => p.target?.kind === 'block' && p.target.block === b;
    const of = state.pieces.filter(isOf);
    if (of.length === 0 || (!isSaid(facts) && words.length === 0)) continue;
    const [start, end] = [Math.min(...of.map((p) => p.start)), Math.max(...of.map((p) => p.end))];
    const target = keepBehind(
      state,
      b,
      state.source
        .slice(start, end)
        .replace(/["“”„]/g, '’')
        .replace(/\s+/g, ' '),
    );
    for (const [i, p] of state.pieces.entries()) if (isOf(p)) state.pieces[i] = { ...p, as: 'unread', target };
    state.doubts.push({ start, end, facts: { code: 'no-items' } });
  }
}

const isPiece = (of: object): of is OpenPiece => 'target' in of;

/** What no phrase took, in no line's turn: it is words of what it stands beside. So nothing is lost, whatever the grammar misses. */
function sweep(state: State): void {
  const { source, pieces, ornaments } = state;
  const known = [...pieces, ...ornaments].sort((a, b) => a.start - b.start);
  const found: OpenPiece[] = [];
  let at = pieces.length === 0 ? source.length : 0;
  let before: Target = null;
  for (const next of [...known, { start: source.length, end: source.length }]) {
    if (next.start > at && state.covers(at, next.start))
      for (const { 0: line, index } of source.slice(at, next.start).matchAll(/[^\r\n]+/g)) {
        if (!/[\p{L}\p{N}]/u.test(line)) continue;
        const start = at + index + (line.length - line.trimStart().length);
        const end = at + index + line.trimEnd().length;
        found.push(sweepUp(state, start, end, before));
      }
    at = Math.max(at, next.end);
    if (isPiece(next)) before = next.target;
  }
  pieces.push(...found);
}

function sweepUp(state: State, start: number, end: number, beside: Target): OpenPiece {
  const words = state.source
    .slice(start, end)
    .replace(/["“”„]/g, '’')
    .replace(/\s+/g, ' ')
    .trim();
  const isNumbering = /^\W*\d{1,2}\)$/.test(words);
  if (FILLERS.test(words) || isNumbering) return { start, end, as: 'note', target: beside };
  const isNumber = mayBeWork(words);
  if (isNumber) state.doubts.push({ start, end, facts: { code: 'unread' } });
  const block = beside && beside.kind !== 'field' ? beside.block : state.blocks.length - 1;
  const target = keepBehind(state, block + 1, words);
  return { start, end, as: isNumber ? 'unread' : 'note', target };
}

/** Changes what was read to what somebody chose. */
function takeAnswer(state: State, { start, facts, target }: OpenDoubt): void {
  const chosen = state.answers.get(start) ?? 0;
  if (chosen === 0 || !target || target.kind === 'field') return;
  const block = state.blocks[target.block]!;
  if (target.kind === 'block') {
    const sec = facts.code === 'no-length' ? facts.lengthsSec[chosen] : undefined;
    const { time } = block.facts;
    if (facts.code === 'all-or-one') block.facts.holdsAll = false;
    if (sec === undefined) return;
    if (time?.kind === 'span') block.facts.time = { ...time, sec };
    if (time?.kind === 'slots') block.facts.time = { ...time, slots: Math.max(1, Math.floor(sec / time.slotSec)) };
    return;
  }
  const item = block.items[target.item];
  if (item?.kind !== 'work') return;
  if (facts.code === 'tempo-or-rounds') {
    const { tempo: _tempo, ...rest } = item;
    const sides = item.dose?.kind === 'reps' ? item.dose.sides : undefined;
    const values = facts.numbers.filter((n) => n > 0);
    block.items[target.item] = {
      ...rest,
      dose: { kind: 'reps', amount: { kind: 'list', values }, ...(sides && { sides }) },
    };
  }
  const near = facts.code === 'new-movement' ? facts.near[chosen - 1] : undefined;
  if (near !== undefined)
    block.items[target.item] = {
      ...item,
      choices: item.choices.map((c) =>
        facts.code === 'new-movement' && c.name === facts.name ? { ...c, name: near } : c,
      ),
    };
}

/** The session in notation, and the line of it that each piece stands on. */
export function finish(state: State): OwnWords {
  askLengths(state);
  askTurns(state);
  askEmpty(state);
  sweep(state);
  for (const doubt of state.doubts) takeAnswer(state, doubt);
  const { library, title, targetSec, kit, notes } = state;
  // What a note doesn't hold stands on the first block.
  const over = [...notes.join(' ').replace(/\s+/g, ' ').trim()].slice(MOST_NOTE).join('').trim();
  if (over !== '') state.blocks.find((b) => b.items.some((i) => i.kind === 'work'))?.words.unshift(...inParts(over));
  const kept = state.blocks
    .flatMap((open, b) =>
      open.items.some((i) => i.kind === 'work') ? apart(open).map((part, at) => ({ open: part, b, at })) : [],
    )
    .slice(0, MAX_BLOCKS);
  const blocks = kept.map(({ open }, i) => readable(toBlock(restBehind(open, i < kept.length - 1)), library));
  const allNotes = notes.join(' ').replace(/\s+/g, ' ').trim();
  const noteText = cutLetters(allNotes, MOST_NOTE).trim();
  const document: SessionDocument = {
    ...(title !== undefined && title !== '' && { title }),
    ...(targetSec !== undefined && { targetSec }),
    ...(kit && { kit }),
    ...(state.groupSize !== undefined && { groupSize: state.groupSize }),
    ...(noteText !== '' && { note: noteText }),
    blocks,
  };
  const text = blocks.length === 0 ? '' : printSession(document, library);
  const { source } = parseStrictly(text, library);
  const placesOf = (b: number): number[] => kept.flatMap((of, i) => (of.b === b ? [i] : []));
  const lineOf = (target: Target): number | null => {
    if (target === null || text === '') return null;
    if (target.kind === 'field') return source.fields[target.field] ?? null;
    const places = placesOf(target.block);
    const first = source.blocks[places[0] ?? -1];
    if (target.kind === 'block') return first?.line ?? null;
    // Of movements that stand apart each is the only one of its block.
    const own = places.length > 1 ? source.blocks[places[target.item] ?? -1]?.items[0] : first?.items[target.item];
    return own?.line ?? null;
  };
  const pieces = state.pieces
    // Without any work there is no session to keep words in.
    .map(({ start, end, as, target }): Piece => ({
      start,
      end,
      as: text === '' && as !== 'title' ? 'unread' : as,
      line: lineOf(target),
    }))
    .sort((a, b) => a.start - b.start);
  const doubts = state.doubts
    .map(({ target: _target, ...doubt }): Doubt => ({ ...doubt, chosen: state.answers.get(doubt.start) ?? 0 }))
    .sort((a, b) => a.start - b.start);
  return { text, pieces, doubts };
}
