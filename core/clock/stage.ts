import type { Position } from '../movement/movement.ts';
import type { StageWords } from '../forms/form.ts';

/** A number that changes from round to round of a stage, or from set to set. */
export type Carried =
  | { readonly kind: 'list'; readonly values: readonly number[]; readonly cycling: boolean }
  | { readonly kind: 'growing'; readonly start: number; readonly step: number }
  /** A pyramid's set: up from the first, or down from the one that was stopped in. */
  | { readonly kind: 'set'; readonly step: number; readonly direction: 'up' | 'down' };

/** The repetitions that a figure is made of. */
export interface FigureReps {
  /** `halves`: what each side has of one number; `range`: the least and the most. */
  readonly as: 'one' | 'halves' | 'range';
  readonly numbers: readonly number[];
  /** Sides in turn: an even number is as many of each. */
  readonly inPairs?: true;
}

/** A line of the list that a span or window is filled from. */
export interface StageLine {
  /** The item that it is of, and its movement as it is written, for changing its shape. */
  readonly item: number;
  readonly movement: string;
  readonly figure: string;
  readonly name: string;
  readonly details: string;
  /** What the figure counts; absent where it isn't repetitions, or `carried` says it. */
  readonly reps?: FigureReps;
  /** Where the number depends on the round that was tapped. */
  readonly carried?: Carried;
  /** Movements that take turns by round. */
  readonly names?: readonly string[];
  /** What it is with each option of its line; absent where nothing is left to choose. */
  readonly options?: readonly LineOption[];
}

/** A line of a list as it is with one of its options. */
export type LineOption = Pick<StageLine, 'movement' | 'figure' | 'reps' | 'name' | 'details' | 'carried'>;

/** A stage as it is with one of the options of its line. Its time is what the clock says, or what this one takes. */
export type StageOption = Pick<
  Stage,
  'movement' | 'title' | 'nextWords' | 'figure' | 'reps' | 'details' | 'sides' | 'switchAtSec' | 'tempo' | 'durationSec'
>;

export type Side = 'left' | 'right';

/** What is to be set up before something is done. */
export interface SetUp {
  /** The position to take; null where it stays what it was. */
  readonly position: Position | null;
  /** Kit that wasn't in use before. */
  readonly take: readonly string[];
  /** How the movement is done, in a line; empty for a list. */
  readonly doing: string;
  /** What a movement is made of, in order, at its first turn; else none. */
  readonly parts: readonly string[];
}

/** Where one should be by a second of a stage: in words, and in repetitions where they are counted. */
export interface PaceMark {
  readonly atSec: number;
  readonly words: string;
  readonly reps?: number;
}

/** What the coach says at a second of a stage; `item` where it is said of that line's movement alone. */
export interface CoachCue {
  readonly atSec: number;
  readonly words: string;
  readonly item?: number;
}

/** One thing that the clock shows. */
export interface Stage {
  readonly kind: 'work' | 'rest' | 'get-ready' | 'ready' | 'span';
  /** `clock`: counts down and goes on by itself; `own`: counts up and waits for a tap. */
  readonly ruledBy: 'clock' | 'own';
  /** Seconds of a clock stage; for own pace the likely ones. */
  readonly durationSec: number;
  readonly block: number;
  readonly blockName: string;
  /** From 1; 0 outside rounds. */
  readonly round: number;
  readonly rounds: number;
  readonly set: number;
  readonly sets: number;
  /** The item that it is about, and its movement as it is written; null and empty where it is about several, or none. */
  readonly item: number | null;
  readonly movement: string;
  readonly title: string;
  /** What "next" says before it: a movement, never a rule. */
  readonly nextWords: string;
  /** The dose, large: `14`, `0:40`. */
  readonly figure: string;
  /** What the figure counts; null where it isn't repetitions. */
  readonly reps: FigureReps | null;
  readonly details: string;
  /** Where a block begins: its rules in words. */
  readonly rules: readonly string[];
  /** What it is with each option of its line; absent where nothing is left to choose. */
  readonly options?: readonly StageOption[];
  /** What fills an open span. */
  readonly lines: readonly StageLine[];
  /** The sides that it is done on, in their order; none where there is nothing to tell apart. */
  readonly sides: readonly Side[];
  /** Seconds from its start at which sides are switched. */
  readonly switchAtSec: readonly number[];
  /** Seconds from its start at which a hold begins, and how long it is. */
  readonly holds: readonly { readonly atSec: number; readonly sec: number }[];
  /** Seconds down, in the pause and up of a repetition, and how many there are, null where as many as the time holds; null without a tempo. */
  readonly tempo: {
    readonly downSec: number;
    readonly pauseSec: number;
    readonly upSec: number;
    readonly reps: number | null;
  } | null;
  readonly workCapSec: number | null;
  /** From this second of a turn on its work should be over, and it may be told that it isn't; null where nothing says so. */
  readonly overFromSec: number | null;
  readonly optional: boolean;
  /** Asks before a round that isn't owed whether it is wanted: a tap begins it, without one the block is over. */
  readonly offersRound: boolean;
  /** Where on the likely timeline it begins and ends, for the marker on the ribbon. */
  readonly timelineStartSec: number;
  readonly timelineEndSec: number;
  /** The block ends at this many seconds since its start, whatever is left of it. */
  readonly capSec: number | null;
  /** What a tap counts here: `round`, `set`, `swap`; null where nothing is counted. */
  readonly taps: StageWords['taps'];
  /** So many partners take turns; 1 where everybody works. */
  readonly partners: number;
  /** Whether they swap at every item, not once the list is done. */
  readonly swapsByItem: boolean;
  /** Asked for when its time is up. */
  readonly asks: StageWords['asks'] | null;
  /** The participant ends the block here, by a button with these words. */
  readonly ends: string | null;
  /** The participant may go on from this second of a rest on. */
  readonly enoughFromSec: number | null;
  /** Begins the last of several rounds. */
  readonly isLastRound: boolean;
  /** A rest at the end of a round, a set or a block, long enough to drink. */
  readonly hasWater: boolean;
  /** Where in an open stretch its list is likely to be done once more, in seconds from its start; for who keeps to the likely pace. */
  readonly likelyTapsSec: readonly number[];
  /** What is to be set up before it; null where nothing is known of it, or something stands in. */
  readonly setUp: SetUp | null;
  /** What the coach says here: at its beginning, and by second. */
  readonly coachCues: readonly CoachCue[];
  /** What the target asks for by then, in words, by second. */
  readonly paceMarks: readonly PaceMark[];
}

/** Time in which nothing is done yet. */
export const isWaiting = ({ kind }: Pick<Stage, 'kind'>): boolean => kind === 'get-ready' || kind === 'ready';

/** Time in which something is done: neither rest nor waiting. */
export const hasWork = (stage: Pick<Stage, 'kind'>): boolean => stage.kind !== 'rest' && !isWaiting(stage);

/** `8 each side split squat`: with the sides where it is a number for each. */
export function spokenDose(figure: string, title: string, sides: readonly Side[]): string {
  const [first, second] = figure.split(' + ');
  // "7 + 6" is said as what each side has.
  if (second !== undefined && sides.length === 2) return `${first} ${sides[0]}, ${second} ${sides[1]}, ${title}`;
  if (title.startsWith('hold ') && figure !== '')
    return [title, sides.length === 1 ? `${sides[0]} side` : '', figure].filter(Boolean).join(', ');
  const said = [figure, figure !== '' && sides.length > 1 ? 'each side' : '', title].filter(Boolean).join(' ');
  return sides.length === 1 ? `${said}, ${sides[0]} side` : said;
}

/** What is said where something begins: with the side that comes first, where the clock calls the change. */
export const spokenStart = ({
  figure,
  title,
  sides,
  switchAtSec,
}: Pick<Stage, 'figure' | 'title' | 'sides' | 'switchAtSec'>): string =>
  [spokenDose(figure, title, sides), sides.length > 1 && switchAtSec.length > 0 ? `${sides[0]} side first` : '']
    .filter(Boolean)
    .join(', ');

/** Which side it is now, or which comes first where only the participant knows; empty where there is nothing to tell apart. */
export function sideWords({ sides, switchAtSec }: Pick<Stage, 'sides' | 'switchAtSec'>, spentSec: number): string {
  if (sides.length < 2) return '';
  if (switchAtSec.length === 0) return `${sides[0]} first`;
  return `now ${sides[switchAtSec.filter((s) => s <= spentSec).length % sides.length]}`;
}

/** `14`, `7 + 6`, `8 to 10`; what both sides have alike stands once. */
export const figureOf = ({ as, numbers }: FigureReps): string =>
  as === 'halves' && numbers[0] === numbers[1] ? String(numbers[0]) : numbers.join(as === 'range' ? ' to ' : ' + ');

/** The number to do now: after so many taps, coming down from the set `top` where it goes down. Never below the first. */
export function carriedFigure(carried: Carried, taps: number, top: number): string {
  switch (carried.kind) {
    case 'list': {
      const { values, cycling } = carried;
      return String(values[cycling ? taps % values.length : Math.min(taps, values.length - 1)]);
    }
    case 'growing':
      return String(carried.start + carried.step * taps);
    case 'set': {
      const set = carried.direction === 'up' ? taps + 1 : Math.max(1, Math.ceil(top) - taps);
      return String(carried.step * set);
    }
  }
}
