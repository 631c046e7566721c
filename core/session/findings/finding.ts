import type { MaxAdvice } from '../../forms/form.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { Area } from '../../movement/movement.ts';
import type { EstimateSec } from '../../pace/pace.ts';
import type { SessionSource } from '../../notation/parse.ts';
import type { Block, SessionDocument } from '../../document/document.ts';
import type { SessionPlan } from '../plan.ts';
import type { Routines } from '../resolve.ts';
import type { SessionEdit } from '../../notation/session-edit.ts';

export const FINDING_CODES = [
  'new-movement',
  'natural-words',
  'unknown-routine',
  'one-sided',
  'overfull-slot',
  'over-target',
  'under-target',
  'kit-missing',
  'kit-unused',
  'no-warm-up',
  'no-cool-down',
  'wrists-unprepared',
  'same-area-in-a-row',
  'impact-after-fatigue',
  'score-unclear',
  'rest-odd',
  'change-over-tight',
  'long-without-water',
  'part-round',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];

/** `info`: good to know; `caution`: worth a look; `warning`: likely not what was meant. Never an error. */
export type Severity = 'info' | 'caution' | 'warning';

/** What was noticed, in names and numbers; words/ says it. */
export type FindingFacts =
  /** A movement that the library doesn't know: it can be made known. */
  | { readonly code: 'new-movement'; readonly name: string }
  /** A line in natural words, and what it was taken as: a line for each item that it says. */
  | { readonly code: 'natural-words'; readonly usual: readonly string[] }
  | { readonly code: 'unknown-routine'; readonly name: string }
  /** `side`: only that one is written; null: it isn't said how sides are counted. */
  | { readonly code: 'one-sided'; readonly movement: string; readonly side: 'left' | 'right' | null }
  | {
      readonly code: 'overfull-slot';
      readonly movement: string;
      /** The first round that it holds from. */
      readonly fromRound: number;
      readonly needSec: EstimateSec;
      /** The turn's length where the work is more than that; else when work should be over. */
      readonly limit: { readonly kind: 'turn' | 'cap'; readonly sec: number };
    }
  | {
      readonly code: 'over-target' | 'under-target';
      readonly likelySec: number;
      readonly isEstimated: boolean;
      readonly targetSec: number;
    }
  | { readonly code: 'kit-missing' | 'kit-unused'; readonly pieces: readonly string[] }
  | { readonly code: 'no-warm-up' | 'no-cool-down' }
  | { readonly code: 'wrists-unprepared'; readonly loads: number }
  | { readonly code: 'same-area-in-a-row'; readonly one: string; readonly other: string; readonly area: Area }
  | { readonly code: 'impact-after-fatigue'; readonly movement: string; readonly workSec: number }
  | { readonly code: 'score-unclear'; readonly why: MaxAdvice['why'] }
  | { readonly code: 'score-unclear'; readonly why: 'no-number'; readonly movement: string }
  /** `restSec` 0: none at all; `round`: the one that it is about, where there are several. */
  | {
      readonly code: 'rest-odd';
      readonly workSec: number;
      readonly restSec: number;
      readonly round: number | null;
    }
  | {
      readonly code: 'change-over-tight';
      readonly from: string;
      readonly to: string;
      readonly restSec: number;
      readonly leastSec: number;
    }
  | { readonly code: 'long-without-water'; readonly longSec: number; readonly drinkSec: number }
  | {
      readonly code: 'part-round';
      readonly slots: number;
      readonly rounds: number;
      readonly items: number;
      readonly over: number;
    };

/** What a change does, in names and numbers. */
export type ChangeFacts =
  | { readonly kind: 'rename'; readonly name: string }
  | { readonly kind: 'spell-as-usual' }
  | { readonly kind: 'number'; readonly value: number }
  /** As the notation writes it. */
  | { readonly kind: 'dose'; readonly dose: string }
  | { readonly kind: 'half-each-side' }
  | { readonly kind: 'add-side'; readonly side: 'left' | 'right' }
  | { readonly kind: 'fewer'; readonly from: number; readonly to: number; readonly isSeconds: boolean }
  | { readonly kind: 'fewer-everywhere'; readonly step: number }
  | { readonly kind: 'rest-after-each'; readonly sec: number }
  | { readonly kind: 'rest'; readonly sec: number }
  | { readonly kind: 'put-last' }
  | { readonly kind: 'whole-rounds'; readonly rounds: number; readonly sec: number }
  | { readonly kind: 'target'; readonly minutes: number }
  | {
      readonly kind: 'resize';
      readonly from: number;
      readonly to: number;
      readonly isSeconds: boolean;
      readonly block: string;
    }
  | { readonly kind: 'announce' | 'leave-out'; readonly pieces: readonly string[] }
  | { readonly kind: 'add'; readonly movements: readonly string[] }
  | { readonly kind: 'begin-with'; readonly reps: number; readonly movement: string }
  /** To the place behind `after`; null: behind a rest. */
  | {
      readonly kind: 'move';
      readonly movement: string;
      readonly to: 'first' | 'last' | { readonly after: string | null };
    }
  | { readonly kind: 'rest-after-block'; readonly sec: number; readonly block: string };

/** A way out that can be taken at once. */
export interface FindingChange {
  readonly does: ChangeFacts;
  readonly edits: readonly SessionEdit[];
}

/** Something that the plan notices about a session, with what could be done about it. */
export type Finding = FindingFacts & {
  readonly severity: Severity;
  /** The line it is about, from 1; null where it is about the whole session. */
  readonly line: number | null;
  readonly changes: readonly FindingChange[];
};

/** All that findings are made from. `blocks` are those of the document with `same as` and `routine` resolved. */
export interface FindingScope {
  readonly document: SessionDocument;
  readonly source: SessionSource;
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  readonly library: MovementLibrary;
  readonly routines: Routines;
}

export const lineOfItem = ({ source }: FindingScope, block: number, item: number): number | null =>
  source.blocks[block]?.items[item]?.line ?? null;
export const lineOfBlock = ({ source }: FindingScope, block: number): number | null =>
  source.blocks[block]?.line ?? null;
