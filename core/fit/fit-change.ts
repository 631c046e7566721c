import type { Block } from '../document/document.ts';
import type { FitHow } from '../movement/fit-movement.ts';

/** One line that this person does in another shape, and why. */
export interface FitChange {
  readonly block: number;
  /** Its line; −1 for the block's own rounds, times and rests. */
  readonly item: number;
  readonly from: string;
  readonly to: string;
  readonly how: FitHow;
  readonly reason: string;
  /** The dose before and after, where it had to change too. */
  readonly dose?: { readonly from: string; readonly to: string };
  /** Times what was sent, of a line's count or a block's rounds; only where both are plain numbers. */
  readonly times?: number;
  /** In a block with a score: the number is of another shape, and is compared as such. */
  readonly isScored: boolean;
}

/** Whether a line is done in another shape, rather than with another count or weight. */
export const isReshaped = ({ from, to }: Pick<FitChange, 'from' | 'to'>): boolean => from !== to;

/** `step-back squat thrust instead of burpee: quiet floor`. */
export const explainChange = (change: FitChange): string =>
  !isReshaped(change)
    ? `${change.to}, ${change.dose?.to ?? ''} instead of ${change.dose?.from ?? ''}: ${change.reason}`
    : `${change.to} instead of ${change.from}${change.dose ? `, ${change.dose.to} instead of ${change.dose.from}` : ''}: ${change.reason}`;

/** The changes in words, as its participant reads them. What is a surprise isn't told before its turn. `blocks` are the fitted ones. */
export const changeWords = (changes: readonly FitChange[], blocks: readonly Block[]): string[] =>
  changes
    .filter(({ block, item }) => {
      const own = blocks[block]?.items[item];
      return !(own?.kind === 'work' && own.surprise);
    })
    .map(explainChange);
