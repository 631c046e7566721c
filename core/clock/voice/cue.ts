/** What the clock calls, by tone, by voice and on the screen. */
export type Cue =
  | 'ready'
  | 'go'
  | 'rest'
  | 'three'
  | 'two'
  | 'one'
  | 'halfway'
  | 'switch'
  | 'hold'
  | 'tempo'
  | 'ten'
  | 'work-cap'
  | 'pace'
  | 'number'
  | 'coach'
  | 'finish';

/** A call with its second from the start of a stage. */
export interface TimedCue {
  readonly atSec: number;
  readonly cue: Cue;
}
