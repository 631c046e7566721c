import type { FewerFrom } from './fewer.ts';

/** A change of shape from a stage on. */
export type ShapeChange =
  /** A step easier (-1) or harder (1): one item, or everything where `item` is null. */
  | {
      readonly kind: 'step';
      readonly from: number;
      readonly block: number | null;
      readonly item: number | null;
      readonly by: -1 | 1;
    }
  /** One of the options of a line, from 0. */
  | {
      readonly kind: 'option';
      readonly from: number;
      readonly block: number;
      readonly item: number;
      readonly option: number;
    }
  /** A step fewer repetitions on each turn of a block. */
  | { readonly kind: 'fewer'; readonly from: number; readonly block: number; readonly at: FewerFrom }
  /** Something stands in for a movement wherever it comes; null: it is left out. */
  | { readonly kind: 'swap'; readonly from: number; readonly movement: string; readonly to: string | null };
