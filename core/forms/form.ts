import type { Block, Span, TimeRule } from '../document/document.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { Cursor } from '../text/cursor.ts';
import type { Token } from '../text/tokens.ts';
import type { EstimateSec } from '../pace/pace.ts';
import type { Result } from '../result.ts';
import type { ExtraKey, Said } from './said.ts';
import type { Step } from './step.ts';

/**
 * What a rule of time answers to every other part of the application, in five facets. A form that leaves an answer out doesn't compile;
 * one that has none says so (`null`, `undefined`, an empty list). A new form is one folder in core/forms, with a file a facet, and its
 * line in forms.ts.
 */
export interface TimeForm<R extends TimeRule = TimeRule, Draft = unknown> {
  readonly kind: R['kind'];
  readonly rule: FormRule<R>;
  readonly notation: FormNotation<R, Draft>;
  readonly steps: FormSteps<R>;
  readonly words: FormWords<R>;
  readonly levers: FormLevers<R>;
}

/** What it is: how long, in which slots, what is scored, what goes with it. */
export interface FormRule<R extends TimeRule = TimeRule> {
  /** The latest end of a set. */
  capSec(rule: R): number | undefined;
  /** Its items go two by two, so that neighbours are meant to be alike. */
  readonly carriesPairs: boolean;
  /** The slot that each item has, where it is to be held against it. */
  slot(rule: R): Slot | null;
  /** Where every item is one stretch of work with its rest: both by round, and the rule with another rest; else null. */
  pulse(rule: R): Pulse | null;
  /** From how many items on each needs a number, so that its score can be compared; null where none does. */
  numbersFrom(rule: R): number | null;
  /** Why `max` doesn’t go where it stands. */
  maxAdvice(rule: R, block: Block): MaxAdvice | null;
  spreadsOverStations(rule: R): boolean;
  /** What is scored by itself; null where nothing is. */
  score(rule: R, block: Block): ScoreForm | null;
  /** What is scored where the coach wrote `scored`, and nothing is by itself. */
  askedScore(rule: R, block: Block): ScoreForm;
}

/** How it is picked, written, read and printed. */
export interface FormNotation<R extends TimeRule = TimeRule, Draft = unknown> {
  /** The ways in which a coach picks it. */
  readonly shapes: readonly Shape[];
  /** Which of them a block has. */
  shapeOf(rule: R, block: Block): string;
  /** The clauses that begin it in a header. */
  readonly clauses: readonly ClockClause<Draft>[];
  /** The clauses of a few forms that go with it. */
  readonly extras: readonly ExtraKey[];
  /** Whether a clause beside it goes with it; where not, why, for the coach. */
  readonly takes: Readonly<Record<BesideClock, true | string>>;
  /** The rule out of what was said. Fails at the cursor where that contradicts itself. */
  make(draft: Draft, said: Said, at: Reading): R;
  /** The block once its items are known; where they don't go together, why and what to write instead. */
  settle?(rule: R, block: Block): Result<Block>;
  /** A bare `rest 0:20` in the next clause; false where it isn't this form's. */
  takeRest?(draft: Draft, cursor: Cursor): boolean;
  /** The clauses as they are printed; reading them gives the rule again. */
  print(rule: R, block: Block): readonly string[];
  /** A rest among the items has no length of its own here, so that it must be written. */
  readonly restNeedsLength: boolean;
  /** The header's numbers that a card can step; `withNumber` is the rule with one of them set. */
  numbers(rule: R, block: Block): readonly HeaderNumber[];
  withNumber(rule: R, key: string, value: number): R;
}

/** What is done one after the other, how often, and how that is counted. */
export interface FormSteps<R extends TimeRule = TimeRule> {
  /** How often the list is gone through at the most, where rounds and lists don't say so. */
  mostTurns?(rule: R, block: Block): number;
  /** The number that the rule itself gives every line without one of its own on a turn, from 0; absent where it gives none. */
  numberAt?(rule: R, turn: number): number;
  /** The turn of the list that is a partner's own round, both from 0; absent where everybody does all of them. */
  partnerTurn?(rule: R, round: number, person: number): number;
  /** All steps of one set, with all rounds that may be done. Only called for a block with work in it. */
  unroll(rule: R, scope: Scope): Step[];
  /** Rounds by its own lists; the block's `rounds` come before it. */
  ownRounds(rule: R, block: Block): number;
  /** Rounds as they are told; null where the form has none, or they are the participant's. */
  rounds(rule: R, block: Block): Span | null;
  /** Intervals, slots, windows or ways of the likely course, all sets together; null where nothing is counted so. */
  intervals(rule: R, block: Block, likely: readonly Step[]): number | null;
  turns(rule: R, block: Block): number | null;
}

/** How it is told: lengths, rules, and what an open stretch is called on the clock. */
export interface FormWords<R extends TimeRule = TimeRule> {
  /** How an exact length came about (`4 × 1:15`); empty where there is nothing to add up. */
  lengthWords(rule: R, block: Block, sums: Sums): string;
  /** Its rule in a few words beside the block's name (`a new one every 1:15`); what counts and rests is added. */
  short(rule: R, block: Block, sums: Sums): string;
  /** Every further rule of it in words, a line each: rests, caps, who works when. */
  lines(rule: R, block: Block): readonly string[];
  /** What its turns are called (`round`, `window`), and how many there are; null where nobody knows. */
  readonly turnWord: string;
  /** What an open stretch of it is headed with on the clock. */
  stage(rule: R, step: Step, block: Block): StageWords;
}

/** What can grow in it, and what each step of that does. */
export interface FormLevers<R extends TimeRule = TimeRule> {
  /** The one number that makes it longer or shorter as a whole: rounds, or the seconds of a span; null where there is none. */
  size(rule: R, block: Block): Size | null;
  /** What each lever finds in it; null where it finds nothing. Levers on items are the items' own. */
  readonly answers: Readonly<Record<FormLever, LeverAnswer<R> | null>>;
  /** The levers that a new track is offered first, and what a step of each is. */
  readonly growsBy: readonly { readonly lever: FormLever | 'reps'; readonly by: number }[];
}

/** What may stand in a header beside the clock. */
export type BesideClock = 'rounds' | 'list' | 'by-feel' | 'between';

/** A way of using a form, as a coach picks it on a card. */
export interface Shape {
  readonly id: string;
  readonly name: string;
  readonly means: string;
  /** A small session of it, for its picture; or bars where its numbers are carried. */
  readonly picture: string | readonly PictureBar[];
  /** The rules of a block with usual numbers; `kept` is what an earlier form of it can hand over. */
  make(kept: Kept): Pick<Block, 'time' | 'count' | 'rounds' | 'between' | 'relay'>;
}

export interface PictureBar {
  readonly x: number;
  readonly width: number;
  readonly height: number;
  readonly kind: 'work' | 'rest';
}

export interface Kept {
  /** A list or by feel. */
  readonly count: Pick<Block, 'count'>;
  /** Rounds, where no list says how many. */
  readonly rounds: Pick<Block, 'rounds'>;
  /** Rounds, list or not. */
  readonly anyRounds: Pick<Block, 'rounds'>;
  readonly between: Pick<Block, 'between'>;
  readonly hasCyclingList: boolean;
  readonly items: number;
}

export interface ClockClause<Draft> {
  /** The words that begin it. */
  readonly words: readonly string[];
  /** What completion writes, and a few words on what it means. */
  readonly starts: readonly { readonly label: string; readonly insert: string; readonly detail: string }[];
  /** Reads on behind its words. */
  read(cursor: Cursor, token: Token): Draft;
}

/** The places of a header's clauses, for what is said of them. */
export interface Reading {
  readonly cursor: Cursor;
  /** First and last token of the clock's clause. */
  readonly token: Token;
  readonly lastToken: Token;
}

/** What a block is unrolled with. */
export interface Scope {
  readonly block: Block;
  readonly blockIndex: number;
  readonly set: number;
  readonly library: MovementLibrary;
}

export interface Size {
  readonly value: number;
  readonly isSeconds: boolean;
  readonly most: number;
  with(value: number): Block;
}

export interface Pulse {
  readonly workSec: readonly number[];
  readonly restSec: readonly number[];
  withRest(sec: number): TimeRule;
}

export interface MaxAdvice {
  readonly item: number;
  readonly why:
    /** The work is finished when all is done, and “max” never is. */
    | 'max-never-done'
    /** A total is counted down, and “max” has none. */
    | 'max-no-total'
    /** What stands behind “max” is never come to. */
    | 'max-not-last'
    /** A list goes round and round, and “max” in it has no end. */
    | 'max-in-turns'
    /** Every line of a climb has a number of its own. */
    | 'nothing-climbs';
  /** It belongs behind all others. */
  readonly putLast: boolean;
}

export interface Slot {
  readonly slotSec: number;
  readonly slots: number;
  /** When work should be over: as written, or as is usual. */
  readonly capSec: number;
  readonly isCapWritten: boolean;
}

/** What words are made of: sums of a plan. */
export interface Sums {
  readonly rounds: Span | null;
  readonly intervals: number | null;
  readonly clockSec: EstimateSec;
}

export interface StageWords {
  readonly title: string;
  /** How many of it there are, for "2 of 4"; absent where rounds say so. */
  readonly of?: number;
  /** What a tap counts; null where nothing is counted. */
  readonly taps: 'round' | 'set' | 'swap' | null;
  /** Partners swap at every item, not once the list is done. */
  readonly swapsByItem?: true;
  /** So many partners take turns. */
  readonly partners?: number;
  /** The participant ends the block here, by a button with these words. */
  readonly ends?: string;
  /** What is asked for when the time of this stage is up, and the score's field that it is for. */
  readonly asks?: {
    readonly question: string;
    /** `partial`: repetitions of the round that wasn't finished. */
    readonly what: 'set' | 'reps' | 'partial';
    readonly field: string;
    /** Where a set is so many more than the one before it: the field for the repetitions of the one that was stopped in. */
    readonly begun?: { readonly field: string; readonly step: number };
    /** Where a round has a fixed number of each line: how far one is in it after each, so that a name can be touched in place of counting. */
    readonly round?: readonly RoundPart[];
  };
}

/** A line of a round, and the repetitions of the round up to its end. */
export interface RoundPart {
  readonly words: string;
  readonly reps: number;
}

export type ScoreKind = 'rounds+reps' | 'reps' | 'time' | 'reps-per-window' | 'top-set' | 'whole-slots' | 'none';

/** How a block is scored: what is asked for, and for whom. */
export interface ScoreForm {
  readonly kind: Exclude<ScoreKind, 'none'>;
  /** Labels of the numbers, in order: `whole rounds`, `and reps of the next`. */
  readonly fields: readonly ScoreLabel[];
  /** Whose, where each partner has their own. */
  readonly persons: number;
}

export interface ScoreLabel {
  readonly part: string;
  readonly label: string;
  /** What counts and what doesn't, where that could be mistaken. */
  readonly hint: string;
  readonly write: 'whole' | 'half' | 'clock';
}

/** A number in a block's header that can be stepped. */
export interface HeaderNumber {
  readonly key: string;
  readonly label: string;
  readonly value: number;
  readonly unit: 'sec' | 'count';
  readonly least: number;
  readonly most: number;
}

/** The levers that act on the rule of time; `rounds` where the form has rounds of its own. */
export const FORM_LEVERS = ['rounds', 'work', 'rest', 'windows', 'step', 'clock'] as const;
export type FormLever = (typeof FORM_LEVERS)[number];

/** What a lever stands at in a form, and the block pulled by so much. The inverse is the same pull with the other sign, within limits. */
export interface LeverAnswer<R extends TimeRule = TimeRule> {
  /** Undefined where there is nothing to pull after all. */
  read(rule: R, block: Block): string | undefined;
  /** `newRounds`: what rounds that are added to a list by round do. */
  pull(rule: R, by: number, block: Block, newRounds?: NewRounds): Block;
}

/** What a round that is added to a list by round has: what comes next in it, its last one's, or its first ones' again. */
export type NewRounds = 'go-on' | 'as-last' | 'from-first';
