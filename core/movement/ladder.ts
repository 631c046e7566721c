/** As a ladder is written down: id, name, steps from the easiest, each with what changes from the one below. */
export type LadderRow = readonly [
  id: string,
  name: string,
  steps: readonly (readonly [movement: string, change: string])[],
];

export interface LadderStep {
  readonly movementId: string;
  /** What changes from the step below, in a few words. */
  readonly change: string;
}

/** Shapes of one movement from the easiest to the hardest. */
export interface Ladder {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly LadderStep[];
}
