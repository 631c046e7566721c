import type { Block, Item, SessionField } from '../document/document.ts';

/**
 * One change to a session. Cards, quick fixes and levers speak in these; `applyEdits` writes them into the text line
 * by line, so that comments, order, and lines that can't be read stay as they are. Of several edits each speaks of the
 * document as the one before left it.
 */
export type SessionEdit =
  /** `value` as it stands after the colon; null takes the line out. */
  | { readonly kind: 'set-field'; readonly field: SessionField; readonly value: string | null }
  | { readonly kind: 'set-item'; readonly block: number; readonly item: number; readonly next: Item }
  | { readonly kind: 'insert-item'; readonly block: number; readonly at: number; readonly next: Item }
  | { readonly kind: 'remove-item'; readonly block: number; readonly item: number }
  /** To stand before the item that is now at `at` (or last). */
  | {
      readonly kind: 'move-item';
      readonly block: number;
      readonly item: number;
      readonly toBlock: number;
      readonly at: number;
    }
  /** Role, label and clauses; the items are left alone. */
  | { readonly kind: 'set-header'; readonly block: number; readonly next: Block }
  | { readonly kind: 'insert-block'; readonly at: number; readonly next: Block }
  | { readonly kind: 'remove-block'; readonly block: number }
  | { readonly kind: 'move-block'; readonly block: number; readonly at: number };
