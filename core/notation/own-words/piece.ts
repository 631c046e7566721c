/** What a stretch of a coach's own words became. */
export const PIECE_KINDS = [
  'title',
  'day',
  'length',
  'kit',
  'group',
  'role',
  'clock',
  'rounds',
  'count',
  'movement',
  'side',
  'dose',
  'tempo',
  'load',
  'rest',
  'option',
  'note',
  'unread',
] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

/** What of the session a piece belongs to. */
export type PieceTarget =
  | { readonly kind: 'field'; readonly field: 'Title' | 'Target' | 'Kit' | 'Group' | 'Note' }
  | { readonly kind: 'block'; readonly block: number }
  | { readonly kind: 'item'; readonly block: number; readonly item: number };

/** A stretch of the source, half-open in UTF-16 units, and the line of the notation that it stands on; null where it is on none. */
export interface Piece {
  readonly start: number;
  readonly end: number;
  readonly as: PieceKind;
  readonly line: number | null;
}

/** Something that could mean another thing, with what it could be. Nothing of it is lost whatever is chosen. */
export interface Doubt {
  readonly start: number;
  readonly end: number;
  readonly facts: DoubtFacts;
  /** Which of its choices was taken, from 0: the first where nobody chose. */
  readonly chosen: number;
}

/** What somebody chose, by where the doubt begins: the place of the choice, from 0. */
export type Answers = ReadonlyMap<number, number>;

export type DoubtFacts =
  /** Kept as words, though a number stands in it. */
  | { readonly code: 'unread' }
  /** A movement that the library doesn't know. */
  | { readonly code: 'new-movement'; readonly name: string; readonly near: readonly string[] }
  /** Three numbers beside a movement: a tempo, or a number a round. */
  | { readonly code: 'tempo-or-rounds'; readonly numbers: readonly [number, number, number] }
  /** A clock without its length: the first was taken, the others are usual ones. */
  | { readonly code: 'no-length'; readonly lengthsSec: readonly number[] }
  /** A long turn: the whole list in each, or one movement after the other. */
  | { readonly code: 'all-or-one'; readonly slotSec: number }
  /** A clock under which nothing stands. */
  | { readonly code: 'no-items' }
  /** More than a session may hold. */
  | { readonly code: 'too-much' };
