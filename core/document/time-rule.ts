/** The list from the top to its end, once, without stops: `flow`. */
export interface FlowRule {
  readonly kind: 'flow';
}

/** At one’s own pace: no clock, `for time`, or under a `cap`. */
export interface OwnRule {
  readonly kind: 'own';
  readonly forTime: boolean;
  readonly capSec?: number;
}

/** As often as goes within a span: `as many as possible in 12:00`. */
export interface SpanRule {
  readonly kind: 'span';
  readonly sec: number;
  /** So many partners: one works, the others watch. */
  readonly turnsOf?: number;
  /** They swap at every item, not after the whole list. */
  readonly byItem?: true;
}

/** One item in each slot, what is left of it is rest: `every 1:00 x 10`. */
export interface SlotsRule {
  readonly kind: 'slots';
  readonly slotSec: number;
  readonly slots: number;
  readonly workCapSec?: number;
}

/** Work and rest by the clock: `0:40 work 0:20 rest`. */
export interface IntervalsRule {
  readonly kind: 'intervals';
  /** By round; a single value serves every round. */
  readonly workSec: readonly number[];
  readonly restSec: readonly number[];
  /** So many intervals in all, the items taking turns. */
  readonly total?: number;
  readonly stations: boolean;
}

/** The list from the top in every window: `windows 2:30 x 4 rest 0:30`. */
export interface WindowsRule {
  readonly kind: 'windows';
  readonly windowSec: number;
  readonly windows: number;
  readonly restSec: number;
}

/** Up by a step each set, and down again. */
export interface PyramidRule {
  readonly kind: 'pyramid';
  /** What each set adds. */
  readonly step: number;
  /** The time of each way, up or down. */
  readonly workSec: number;
  /** After each way; 0 where there is none. */
  readonly restSec: number;
}

/** Each slot asks for more than the one before it, until it isn’t done in time. */
export interface ClimbRule {
  readonly kind: 'climb';
  /** Of each item in the first slot, and how many more in each slot after it. */
  readonly start: number;
  readonly step: number;
  readonly slotSec: number;
}

/** A number to be gathered, in as many sets as it takes. */
export interface AccumulateRule {
  readonly kind: 'accumulate';
  readonly capSec?: number;
}

/** What rules the time of a block. */
export type TimeRule =
  FlowRule | OwnRule | SpanRule | SlotsRule | IntervalsRule | WindowsRule | PyramidRule | ClimbRule | AccumulateRule;
