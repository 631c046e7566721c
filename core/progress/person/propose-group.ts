import { median } from 'd3-array';
import type { Lever } from '../levers/lever.ts';
import type { SchoolStep } from '../track/school-step.ts';
import type { SchoolId } from '../track/schools.ts';
import type { Counted, Proposal } from './propose.ts';
import { GAP } from './propose.ts';

/** What accepting a proposal for all changes of the programme: unsent sessions like the one it is about. */
export type GroupChange =
  | { readonly kind: 'pull'; readonly lever: Lever; readonly by: number }
  /** They stay as this one was until it is let go. */
  | { readonly kind: 'same-again' };

/** Who said something of a session, and how many of those who did it didn't. */
interface Told {
  readonly said: number;
  readonly silent: number;
  /** In a group of fewer than five: whom it is about. */
  readonly names?: readonly string[];
}

/** What all said of a session. */
export type GroupReason =
  | (Told & { readonly code: 'turns'; readonly block: string; readonly reps: number; readonly over: number })
  | (Counted & { readonly code: 'few'; readonly names?: readonly string[] })
  | (Counted & { readonly code: 'unrated' })
  /** The middle of what was said, beside what was planned. */
  | (Counted &
      Told & {
        readonly code: 'felt-harder-by-all' | 'felt-as-planned';
        readonly felt: number;
        readonly planned: number;
      })
  | (Counted &
      Told & {
        readonly code: 'felt-easier-by-all';
        readonly felt: number;
        readonly planned: number;
        readonly step: SchoolStep;
        readonly school: SchoolId;
      });

/** What one person said. */
interface Says<Value> {
  readonly name: string;
  readonly value: Value;
}

/** What all together said of one session that was theirs last week. */
export interface GroupSession {
  /** `w3d1`. */
  readonly key: string;
  readonly title: string;
  readonly due: number;
  /** Names of those who did it. */
  readonly doneBy: readonly string[];
  readonly planned: number | null;
  readonly efforts: readonly Says<number>[];
  /** Blocks with turns: what share of them ran over, person by person. */
  readonly turns: readonly {
    readonly block: string;
    readonly shares: readonly Says<number>[];
    readonly lever: Lever;
  }[];
  /** How the school of its track would go on with it; null where it would leave it. */
  readonly next: { readonly school: SchoolId; readonly step: SchoolStep } | null;
}

/** Groups smaller than this are spoken of by name, and two who say the same are enough. */
const SMALL_GROUP = 5;
const ENOUGH_OF_FEW = 2;
/** So many must have said something before it is taken for all, and a third of those who were due. */
const ENOUGH = 5;
const ENOUGH_TURNS = 3;
const ENOUGH_SHARE = 1 / 3;
/** Someone has overrun a block when a quarter of its turns did (common practice, no source). */
const OVERRAN_FROM = 0.25;
const OFF_EVERY_STATION = 2;

const isEnough = (said: number, due: number, least: number): boolean =>
  due < SMALL_GROUP ? said >= ENOUGH_OF_FEW : said >= Math.max(least, Math.ceil(ENOUGH_SHARE * due));

const namesOf = (due: number, people: readonly Says<unknown>[]): { readonly names?: readonly string[] } =>
  due < SMALL_GROUP ? { names: people.map((p) => p.name) } : {};

/** What doesn't fit its turns loses two reps a station (docs/formulas.md 1). */
function byTurns({ key, due, doneBy, turns }: GroupSession): Proposal<GroupChange, GroupReason> | undefined {
  for (const { block, shares, lever } of turns) {
    const over = shares.filter((s) => s.value >= OVERRAN_FROM);
    if (!isEnough(shares.length, due, ENOUGH_TURNS) || over.length <= shares.length / 2) continue;
    return {
      key: `${key} off ${block}`,
      kind: 'ease',
      reason: {
        code: 'turns',
        block,
        reps: OFF_EVERY_STATION,
        over: over.length,
        said: shares.length,
        silent: Math.max(0, doneBy.length - shares.length),
        ...namesOf(due, over),
      },
      change: { kind: 'pull', lever, by: -OFF_EVERY_STATION },
    };
  }
  return undefined;
}

/**
 * What becomes of one session for all: what doesn't fit its turns loses two reps a station, what felt much harder than planned, or was
 * done by few, is held, what felt much easier goes a step on, as its school does. Undefined where too few have said anything.
 */
export function proposeForGroup(s: GroupSession): Proposal<GroupChange, GroupReason> | undefined {
  const { key, due, planned, efforts, doneBy, next } = s;
  const counted = { due, done: doneBy.length };
  const turns = byTurns(s);
  if (turns) return turns;
  if (due >= ENOUGH_OF_FEW && counted.done < due / 2)
    return {
      key: `${key} hold few`,
      kind: 'hold',
      reason: { code: 'few', ...counted, ...(due < SMALL_GROUP && { names: doneBy }) },
      change: { kind: 'same-again' },
    };
  if (!isEnough(efforts.length, due, ENOUGH)) return undefined;
  if (planned === null)
    return { key: `${key} go on`, kind: 'go-on', reason: { code: 'unrated', ...counted }, change: null };
  const felt = median(efforts, (e) => e.value)!;
  const gap = felt - planned;
  const said = {
    ...counted,
    felt,
    said: efforts.length,
    silent: Math.max(0, counted.done - efforts.length),
    planned,
    ...namesOf(due, efforts),
  };
  if (gap >= GAP)
    return {
      key: `${key} hold`,
      kind: 'hold',
      reason: { code: 'felt-harder-by-all', ...said },
      change: { kind: 'same-again' },
    };
  if (gap <= -GAP && next)
    return {
      key: `${key} up`,
      kind: 'step-up',
      reason: { code: 'felt-easier-by-all', ...said, ...next },
      change: pullOf(next.step),
    };
  return { key: `${key} go on`, kind: 'go-on', reason: { code: 'felt-as-planned', ...said }, change: null };
}

/** A school's step for the programme itself. */
const pullOf = (step: SchoolStep): GroupChange =>
  step.kind === 'shape'
    ? { kind: 'pull', lever: { kind: 'shape', of: step.fromName }, by: 1 }
    : { kind: 'pull', lever: { kind: step.lever }, by: step.by };
