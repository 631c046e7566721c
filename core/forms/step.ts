import type { EstimateSec } from '../pace/pace.ts';

export type PartKind = 'work' | 'hold' | 'rest' | 'open';

/** One stretch of one thing inside a step. */
export interface Part {
  readonly kind: PartKind;
  /** Whole seconds; equal values where nothing is estimated. */
  readonly sec: EstimateSec;
  readonly estimated: boolean;
  /** Index of the item in its block; null for rests that no line stands for, and where several items share the time. */
  readonly item: number | null;
  readonly movementId: string | null;
  readonly name: string | null;
  readonly side: 'left' | 'right' | null;
  /** Repetitions that this part stands for; null where they are open, or where time is the dose. */
  readonly reps: number | null;
  /** Planned effort, 0 (rest) to 1. */
  readonly effort: number;
}

/**
 * One thing after the other, as a participant meets it: a slot, an interval, a rest, one movement at one's
 * own pace, a span to fill. Lengths add steps up, the ribbon draws their parts, the clock plays them.
 */
export interface Step {
  readonly purpose:
    | 'slot'
    | 'interval'
    | 'span'
    | 'window'
    | 'pyramid'
    | 'climb'
    | 'accumulate'
    | 'own'
    | 'timed'
    | 'rest'
    | 'between'
    | 'change-over'
    | 'set-rest'
    | 'then-rest'
    | 'team-rest';
  readonly block: number;
  /** From 1. */
  readonly set: number;
  /** From 1; 0 for steps that belong to no round. */
  readonly round: number;
  /** True for the rounds that the participant may leave out (the third of "2 to 3 rounds"). */
  readonly optional: boolean;
  /**
   * Of a turn that grows until its time no longer holds it: at any pace, at the likely one, at a quick one alone, or at none, which is the
   * turn that is tried last. Absent: it doesn't grow so.
   */
  readonly holds?: 'always' | 'likely' | 'quick' | 'never';
  /** `clock`: ends by itself after exactly `sec`; `own`: ends when the participant says so. */
  readonly ruledBy: 'clock' | 'own';
  readonly sec: EstimateSec;
  readonly parts: readonly Part[];
  /** The items that this step is about. */
  readonly items: readonly number[];
  readonly workCapSec?: number;
  readonly direction?: 'up' | 'down';
  /** Several items share this step: it is shown as their list. */
  readonly lists?: true;
  /** The number that this step carries: a pyramid's step, the count of a climb's slot. */
  readonly carried?: number;
  /** What is likely to happen inside an open span, for the picture only. */
  readonly expected?: readonly Part[];
}
