import type { Pose } from './pose.ts';

/** From where a figure is seen: `quarter` from before and the right, `rear` from behind and the right. */
export const VIEWS = ['side', 'front', 'quarter', 'rear', 'top'] as const;
export type View = (typeof VIEWS)[number];

/** What is drawn beside the body. Both hands hold one each, the working (right) one holds it, or both hold the same. */
export interface HeldKit {
  readonly kind: 'dumbbell' | 'kettlebell' | 'barbell' | 'bottle' | 'plate' | 'ball' | 'sandbag' | 'stick';
  readonly how: 'both' | 'one' | 'two hands';
}

/** A movement as key poses, to be played. */
export interface Figure {
  readonly view: View;
  /** From the last pose straight on to the first; else back the way it came. */
  readonly goesRound: boolean;
  /** The next repetition is the mirror of this one. */
  readonly alternates: boolean;
  /** The eye goes along. */
  readonly travels: boolean;
  readonly poses: readonly Pose[];
  readonly kit: readonly HeldKit[];
}
