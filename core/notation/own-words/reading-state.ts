import { cutLetters } from '../../letters.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { OpenBlock } from './build-blocks.ts';
import type { HeaderFacts } from './phrases/header-facts.ts';
import type { Answers, Doubt, Piece, PieceTarget } from './piece.ts';
import type { Strip } from './phrases/strip.ts';

export type Target = PieceTarget | null;

export interface OpenPiece {
  readonly start: number;
  readonly end: number;
  readonly as: Piece['as'];
  readonly target: Target;
}

/** A doubt before it is known which line it stands on; `target` is what an answer changes. */
export type OpenDoubt = Omit<Doubt, 'chosen'> & { readonly target?: Target };

export interface State {
  readonly source: string;
  readonly library: MovementLibrary;
  readonly pieces: OpenPiece[];
  readonly doubts: OpenDoubt[];
  readonly answers: Answers;
  readonly blocks: OpenBlock[];
  readonly notes: string[];
  /** Bullets and numbers of lists: they are of nothing. */
  /** Whether a place is one that this session is read from: of a table each day has its own cells. */
  readonly covers: (start: number, end: number) => boolean;
  readonly ornaments: { readonly start: number; readonly end: number }[];
  title?: string;
  targetSec?: number;
  kit?: readonly string[];
  groupSize?: number;
  /** Stations were named before any clock. */
  saysStations?: boolean;
  items: number;
  /** The clock that several parts which are alike share. */
  shared?: HeaderFacts;
  /** The letter of the group that lines belong to: `A` of `A1`. */
  group?: string;
  /** Whether nothing but fields and notes came before. */
  isHead: boolean;
  blankBefore: boolean;
}

export const current = (state: State): OpenBlock | undefined => state.blocks.at(-1);

export function open(state: State, block: OpenBlock): OpenBlock {
  state.blocks.push(block);
  state.isHead = false;
  return block;
}

export const blockTarget = (state: State): Target =>
  state.blocks.length === 0 ? null : { kind: 'block', block: state.blocks.length - 1 };

export function take(state: State, start: number, end: number, as: Piece['as'], target: Target): void {
  if (end > start) state.pieces.push({ start, end, as, target });
}

export const takeAll = (state: State, strip: Strip, target: Target): void => {
  for (const t of strip.taken) take(state, t.start, t.end, t.as, target);
};

export function setTitle(state: State, words: string): void {
  state.title = cutLetters(
    words
      .replace(/#/g, '')
      .replace(/\s+/g, ' ')
      .replace(/[:\s]+$/, ''),
    120,
  ).trim();
}

export const isSaid = (f: HeaderFacts): boolean =>
  f.time !== undefined ||
  f.rounds !== undefined ||
  f.list !== undefined ||
  f.forTime === true ||
  f.capSec !== undefined ||
  f.between !== undefined ||
  f.gathers === true ||
  f.partners === true ||
  f.thenRestSec !== undefined;
