import type { TimeRule } from './time-rule.ts';

export type { TimeRule };

/**
 * The session document: what a coach wrote, as data. Text is one way to write it down, cards another.
 *
 * A block answers three questions: what rules the time (`time`), how the count changes from round
 * to round (`count`), and where rest is (`rest`, `sets`, `thenRestSec`). All durations are whole seconds.
 */

export const ROLES = ['Warm-up', 'Skill', 'Main', 'Finisher', 'Cool-down'] as const;
export type Role = (typeof ROLES)[number];

/** An inclusive span of whole numbers; `low` equals `high` where nothing is left open. */
export interface Span {
  readonly low: number;
  readonly high: number;
}

/** Comments travel with the line that follows them (`before`) or that they end (`after`). */
export interface Comments {
  readonly before?: readonly string[];
  readonly after?: string;
}

export interface SessionDocument {
  readonly title?: string;
  /** The length the coach promised. */
  readonly targetSec?: number;
  readonly groupSize?: number;
  /** What was announced; an empty list is "none", absent is "nothing was said". */
  readonly kit?: readonly string[];
  /** Planned session effort, 0 to 10. */
  readonly effort?: number;
  readonly retest?: string;
  readonly note?: string;
  /** The address of a film of the coach's own: passed on as a plain link, never fetched. */
  readonly film?: string;
  readonly blocks: readonly Block[];
  /** Comments of the session lines, by line name, and those after the last line. */
  readonly comments?: Readonly<Partial<Record<SessionField | 'end', Comments>>>;
}

export const SESSION_FIELDS = ['Title', 'Target', 'Group', 'Kit', 'Effort', 'Retest', 'Note', 'Film'] as const;
export type SessionField = (typeof SESSION_FIELDS)[number];

export interface Block {
  readonly role: Role;
  readonly label?: string;
  readonly time: TimeRule;
  readonly count?: CountRule;
  /** How often the list is done at one's own pace or by an interval clock; absent: as the rest says, else once. */
  readonly rounds?: Span;
  readonly between?: BetweenRest;
  readonly sets?: { readonly count: number; readonly restSec?: number };
  readonly thenRestSec?: number;
  /** Its score is asked for, though it isn't by itself. */
  readonly scored?: true;
  /** The members of a team in a relay; the turns of partners are part of the time rule. */
  readonly relay?: { readonly teamSize?: number };
  /** The address of a film of the coach's own of this block, as the session's. */
  readonly film?: string;
  /** What the coach says while it is done, at its time. */
  readonly cues?: readonly BlockCue[];
  /** The fault to look out for in it. */
  readonly watch?: string;
  /** The pace that is called where nothing is aimed at, in repetitions a minute. */
  readonly pacePerMin?: number;
  readonly source?:
    | { readonly kind: 'same-as'; readonly label: string }
    /** `next`: the routines of the weeks after this one, in their order; after the last, `name` comes again. */
    | { readonly kind: 'routine'; readonly name: string; readonly next?: readonly string[] };
  readonly items: readonly Item[];
  readonly comments?: Comments;
}

/** Words of the coach for a time within a block, or for the beginning of a round. */
export type BlockCue = { readonly words: string } & (
  | { readonly at: 'halfway' }
  | { readonly at: 'second' | 'last'; readonly sec: number }
  | { readonly at: 'round'; readonly round: number }
);

export type CountRule =
  | { readonly kind: 'list'; readonly values: readonly number[]; readonly cycling: boolean }
  | { readonly kind: 'by-feel' };

export interface BetweenRest {
  readonly of: 'rounds' | 'items';
  readonly lowSec: number;
  readonly highSec: number;
}

/** A number of repetitions, or of seconds, as written on one line. */
export type Amount =
  | { readonly kind: 'fixed'; readonly value: number }
  | { readonly kind: 'range'; readonly low: number; readonly high: number }
  | { readonly kind: 'list'; readonly values: readonly number[] }
  | { readonly kind: 'growing'; readonly start: number; readonly step: number };

/** How sides are counted: each side has the number, sides in turn share it, or left and right count one. */
export type Sides = 'each' | 'alternate' | 'pairs';

export type Dose =
  | { readonly kind: 'reps'; readonly amount: Amount; readonly sides?: Sides }
  | { readonly kind: 'time'; readonly amountSec: Amount; readonly sides?: 'each' }
  | { readonly kind: 'distance'; readonly metres: number; readonly sides?: Sides }
  | { readonly kind: 'energy'; readonly kcal: number }
  | { readonly kind: 'max'; readonly sides?: Sides }
  /** No number of its own: the header's list or the clock gives it. */
  | { readonly kind: 'given'; readonly sides: Sides };

/** A movement that may be done, with what is said of it alone; what isn't goes by the line (core/document/option.ts). */
export interface Choice {
  readonly name: string;
  readonly dose?: Dose;
  readonly tempo?: Tempo;
  readonly pauseSec?: number;
  readonly load?: Load;
}

export interface Tempo {
  readonly downSec: number;
  readonly pauseSec: number;
  readonly upSec: number;
}

export type Load =
  /** `laterKg`: where it changes from round to round, the weights of the second round on; the last one holds. */
  | { readonly kind: 'weight'; readonly kg: number; readonly pieces: number; readonly laterKg?: readonly number[] }
  | { readonly kind: 'share'; readonly pct: number }
  | { readonly kind: 'effort'; readonly effort: number }
  /** A step of one of the coach's own scales, in the coach's words: "green band", "heavy". */
  | { readonly kind: 'step'; readonly step: string };

export type Speed = 'brisk' | 'steady' | 'slow';

export type Item =
  /** A slot or interval of rest; between items at one's own pace it says how long. */
  | { readonly kind: 'rest'; readonly sec?: number; readonly comments?: Comments }
  | {
      readonly kind: 'work';
      readonly dose?: Dose;
      readonly side?: 'left' | 'right';
      /** The first is counted; the others are the participant's to choose. */
      readonly choices: readonly Choice[];
      /** True for `[a, b, c]`: the choices are taken in turn, by window or round. */
      readonly inTurn: boolean;
      readonly tempo?: Tempo;
      readonly pauseSec?: number;
      /** Seconds of hold after the repetitions; `by-count`: as many as repetitions. */
      readonly thenHold?: number | 'by-count';
      readonly load?: Load;
      readonly halfEachSide?: boolean;
      readonly mayBeSplit?: boolean;
      readonly speed?: Speed;
      /** The coach's own neighbours: they come first behind "easier" and "harder". */
      readonly easier?: string;
      readonly harder?: string;
      /** Not shown before its turn. */
      readonly surprise?: true;
      /** Said as its turn begins. */
      readonly cue?: string;
      /** The fault to look out for: said at its first turn. */
      readonly watch?: string;
      /** So many at least, in an interval. */
      readonly atLeast?: number;
      readonly words?: readonly string[];
      readonly comments?: Comments;
    };

export type WorkItem = Extract<Item, { kind: 'work' }>;
