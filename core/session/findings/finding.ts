import type { MovementLibrary } from '../../movement/library.ts';
import type { SessionSource } from '../../notation/parse.ts';
import type { Block, SessionDocument } from '../../document/document.ts';
import type { SessionPlan } from '../plan.ts';
import type { Routines } from '../resolve.ts';
import type { SessionEdit } from '../../notation/session-edit.ts';

export const FINDING_CODES = [
  'new-movement',
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

/** Something that the plan notices about a session, with what could be done about it. */
export interface Finding {
  readonly code: FindingCode;
  readonly severity: Severity;
  /** The line it is about, from 1; null where it is about the whole session. */
  readonly line: number | null;
  readonly message: string;
  /** A movement's name that is new here: it can be made known. */
  readonly newName?: string;
  /** Each a way out that can be taken at once. */
  readonly changes: readonly FindingChange[];
}

export interface FindingChange {
  /** As it stands on a button: `8 instead of 10`. */
  readonly label: string;
  readonly edits: readonly SessionEdit[];
}

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
