import { mean } from 'd3-array';
import type { Pattern } from '../../movement/movement.ts';
import type { Spare } from '../../movement/spare.ts';
import type { DayState } from '../../record/adherence/strand.ts';
import { isKept, isOwed } from '../../record/adherence/strand.ts';
import { isTwoForTwo } from '../track/double-progression.ts';
import type { OwnLever } from '../../movement/own-dose.ts';
import { OWN_LEVERS } from '../../movement/own-dose.ts';
import type { SchoolStep } from '../track/school-step.ts';
import type { SchoolId } from '../track/schools.ts';

/** What next week should be, for someone or for all. */
export const PROPOSAL_KINDS = ['step-up', 'ease', 'hold', 'go-on'] as const;
export type ProposalKind = (typeof PROPOSAL_KINDS)[number];

/** What accepting a proposal for one person changes of their fit. */
export type PersonChange =
  | { readonly kind: 'dose'; readonly movement: string | null; readonly repsBy?: number; readonly loadBy?: number }
  /** More or less of what makes up the blocks of the main work. */
  | { readonly kind: 'lever'; readonly lever: OwnLever; readonly by: number }
  /** The numbers of a week are kept until they are let go. */
  | { readonly kind: 'hold'; readonly week: number }
  | { readonly kind: 'let-go' }
  | { readonly kind: 'level'; readonly pattern: Pattern; readonly by: -1 | 1 }
  /** Done in another shape from now on. Ids of movements. */
  | { readonly kind: 'swap'; readonly from: string; readonly to: string }
  /** What asks too much of a sore place is done in another shape, until that is taken back. */
  | { readonly kind: 'spare'; readonly spare: Spare }
  /** A week of shapes a class easier. */
  | { readonly kind: 'eased' };

/** Due sessions and those of them that were done. */
export interface Counted {
  readonly due: number;
  readonly done: number;
}

/** Why a weight may go up: all sets at the top of their range, or twice two more in the last set. */
export type LoadSign =
  | { readonly kind: 'top'; readonly sets: readonly number[]; readonly goalReps: number; readonly ceilingReps: number }
  | { readonly kind: 'two-for-two'; readonly lastSets: readonly number[]; readonly goalReps: number };

/** How much more a weight is: kilograms, or the step of the scale after the one that was used. */
export type LoadMore = { readonly kg: number } | { readonly after: string; readonly step: string };

/** What was found of someone's week, with its figures; efforts of 10. */
export type PersonReason =
  | { readonly code: 'pain'; readonly said: string; readonly spare: Spare | null }
  | (Counted & { readonly code: 'little-done'; readonly week: number })
  /** They keep the numbers of a week: little was done again, or it can be let go. */
  | (Counted & { readonly code: 'still-held' | 'let-go'; readonly week: number })
  | (Counted & { readonly code: 'felt-harder'; readonly efforts: readonly number[]; readonly by: number })
  | (Counted & { readonly code: 'load'; readonly name: string; readonly more: LoadMore; readonly sign: LoadSign })
  /** The same other shape, taken on the way in so many sessions one after the other. */
  | (Counted & { readonly code: 'own-shape'; readonly from: string; readonly to: string; readonly times: number })
  /** Fewer repetitions from some turn on, in so many sessions. */
  | (Counted & { readonly code: 'fewer'; readonly sessions: number })
  | (Counted & {
      readonly code: 'felt-easier';
      readonly efforts: readonly number[];
      readonly by: number;
      /** What more it is, as their track's school goes on. */
      readonly step: SchoolStep;
      readonly school: SchoolId;
    })
  | (Counted & { readonly code: 'as-planned'; readonly efforts: readonly number[] });

export interface Proposal<Change, Reason = PersonReason> {
  /** The same proposal has the same key, so that an answer is remembered. */
  readonly key: string;
  readonly kind: ProposalKind;
  /** What it is for, with its figures. */
  readonly reason: Reason;
  /** Null: nothing changes by it. */
  readonly change: Change | null;
}

/** A session of someone's last week. */
export interface WeekSession {
  readonly dayId: number;
  readonly state: DayState;
  readonly effort: number | null;
  readonly planned: number | null;
}

/** Sets of a movement with a weight, session by session, the oldest first. */
export interface LoadHistory {
  readonly movement: string;
  readonly name: string;
  /** What was asked of each set, as it was written. */
  readonly goalReps: number;
  /** The step of a scale that was used last, and the one after it; null at its end. Absent where a weight is written. */
  readonly scale?: { readonly used: string; readonly next: string | null };
  /** The top of the range, where one was written. */
  readonly ceilingReps?: number;
  /** Reps of the sets that were said, the last one at least, of so many. */
  readonly sessions: readonly {
    readonly sets: readonly number[];
    readonly of: number;
    readonly effort: number | null;
  }[];
}

/** Another shape than the planned one, taken again and again. */
export interface ShapeHabit {
  /** Ids of movements. */
  readonly from: string;
  readonly to: string;
  readonly fromName: string;
  readonly toName: string;
  readonly times: number;
  /** It stands above the planned one on a ladder. */
  readonly isHarder: boolean;
}

/** A pain that was told in the week, with what can be spared for the place that hurts; null where nothing can. */
export interface WeekPain {
  readonly words: string;
  readonly spare: Spare | null;
}

export interface PersonWeek {
  readonly week: number;
  readonly sessions: readonly WeekSession[];
  readonly loads: readonly LoadHistory[];
  readonly shapes: readonly ShapeHabit[];
  /** Sessions of the week in which fewer repetitions were done from some turn on. */
  readonly fewerIn: number;
  readonly pains: readonly WeekPain[];
  /** How the school of their track would go on with the session; null where it would leave it. */
  readonly next: { readonly school: SchoolId; readonly step: SchoolStep } | null;
  /** The week whose numbers they keep; null: they go on with everybody. */
  readonly heldWeek: number | null;
}

/** Felt beside planned: from here on it is worth a change (common practice, no source). */
export const GAP = 2;
/** Of the due sessions, so many at least before anything is made harder, or else it holds. */
const MOST_DONE = 2 / 3;
/** Missed in the week, from which on numbers are held (common practice, no source). */
const HOLD_FROM = 2;
/** Sessions of a week with fewer repetitions than planned, from which on there are fewer in the plan too (common practice, no source). */
const FEWER_FROM = 2;
/** The smallest step of a weight that most people have, in kg; below ten, half of it. */
const STEP_KG = 2;
const SMALL_STEP_KG = 1;

const gaps = (sessions: readonly WeekSession[]): number[] =>
  sessions.flatMap((s) => (isKept(s.state) && s.effort !== null && s.planned !== null ? [s.effort - s.planned] : []));
const effortsOf = (sessions: readonly WeekSession[]): number[] =>
  sessions.flatMap((s) => (isKept(s.state) && s.effort !== null ? [s.effort] : []));

/** The smallest step of a weight, from where it stands. */
export const smallestStepKg = (kg: number): number => (kg < 10 ? SMALL_STEP_KG : STEP_KG);

/** Whether the weight of a movement may go up: two for two, or all sets at the top of their range (docs/formulas.md 3). */
function loadSign({ goalReps, ceilingReps, sessions }: LoadHistory): LoadSign | undefined {
  const lasts = sessions.flatMap((s) => s.sets.at(-1) ?? []);
  const last = sessions.at(-1);
  // Every set at the top: each of them was said.
  if (ceilingReps !== undefined && last && last.sets.length >= last.of && last.sets.every((r) => r >= ceilingReps))
    return { kind: 'top', sets: last.sets, goalReps, ceilingReps };
  return isTwoForTwo(goalReps, lasts) ? { kind: 'two-for-two', lastSets: lasts.slice(-2), goalReps } : undefined;
}

/** What a school's next step is for one person alone; undefined where it is none that a fit can make. */
function changeOf(step: SchoolStep): PersonChange | undefined {
  if (step.kind === 'shape') return { kind: 'swap', from: step.from, to: step.to };
  const { lever, by } = step;
  if (lever === 'reps') return { kind: 'dose', movement: null, repsBy: by };
  if (lever === 'load') return { kind: 'dose', movement: null, loadBy: by };
  const own = OWN_LEVERS.find((l) => l === lever);
  return own && { kind: 'lever', lever: own, by };
}

/** What was done otherwise than planned, or with how much: fewer repetitions, another shape, a weight that may go up. */
function byWhatWasUsed(
  w: PersonWeek,
  counted: Counted,
  currentKg: (movement: string) => number,
): Proposal<PersonChange, PersonReason> | undefined {
  const key = (what: string) => `w${w.week} ${what}`;
  if (w.fewerIn >= FEWER_FROM)
    return {
      key: key('ease reps'),
      kind: 'ease',
      reason: { code: 'fewer', ...counted, sessions: w.fewerIn },
      change: { kind: 'dose', movement: null, repsBy: -1 },
    };
  const habit = w.shapes[0];
  if (habit) {
    const { from, to, fromName, toName, times, isHarder } = habit;
    return {
      key: key(`shape ${from} ${to}`),
      kind: isHarder ? 'step-up' : 'ease',
      reason: { code: 'own-shape', ...counted, from: fromName, to: toName, times },
      change: { kind: 'swap', from, to },
    };
  }
  for (const load of w.loads) {
    const sign = loadSign(load);
    if (sign === undefined || load.scale?.next === null) continue;
    const by = load.scale ? SMALL_STEP_KG : smallestStepKg(currentKg(load.movement));
    return {
      key: key(`load ${load.movement}`),
      kind: 'step-up',
      reason: {
        code: 'load',
        ...counted,
        name: load.name,
        more: load.scale?.next ? { after: load.scale.used, step: load.scale.next } : { kg: by },
        sign,
      },
      change: { kind: 'dose', movement: load.movement, loadBy: by },
    };
  }
  return undefined;
}

/**
 * What the next week should be for someone, after one that is over: pain eases first, then too little done holds, then what was felt
 * against what was planned, and repetitions against their goal. One lever at a time. Undefined where nothing was due.
 */
export function proposeForPerson(
  w: PersonWeek,
  currentKg: (movement: string) => number,
): Proposal<PersonChange, PersonReason> | undefined {
  const due = w.sessions.filter((s) => isOwed(s.state));
  if (due.length === 0) return undefined;
  const done = due.filter((s) => isKept(s.state));
  const counted = { due: due.length, done: done.length };
  const efforts = effortsOf(due);
  const key = (what: string) => `w${w.week} ${what}`;
  const pain = w.pains.find((p) => p.spare !== null) ?? w.pains[0];
  if (pain)
    return {
      key: key('ease pain'),
      kind: 'ease',
      reason: { code: 'pain', said: pain.words, spare: pain.spare },
      change: pain.spare === null ? { kind: 'eased' } : { kind: 'spare', spare: pain.spare },
    };
  // One missed alone says nothing, however few there were.
  if (done.length / due.length < MOST_DONE && due.length - done.length >= HOLD_FROM)
    return w.heldWeek === null
      ? {
          key: key('hold'),
          kind: 'hold',
          reason: { code: 'little-done', ...counted, week: w.week },
          change: { kind: 'hold', week: w.week },
        }
      : {
          key: key('go on'),
          kind: 'go-on',
          reason: { code: 'still-held', ...counted, week: w.heldWeek },
          change: null,
        };
  const felt = gaps(due);
  const gap = mean(felt);
  if (felt.length >= 2 && gap !== undefined && gap >= GAP)
    return {
      key: key('ease effort'),
      kind: 'ease',
      reason: { code: 'felt-harder', ...counted, efforts, by: gap },
      change: { kind: 'eased' },
    };
  if (w.heldWeek !== null)
    return {
      key: key('let go'),
      kind: 'step-up',
      reason: { code: 'let-go', ...counted, week: w.heldWeek },
      change: { kind: 'let-go' },
    };
  const used = byWhatWasUsed(w, counted, currentKg);
  if (used) return used;
  const change = w.next && changeOf(w.next.step);
  if (change && done.length === due.length && felt.length >= 2 && gap !== undefined && gap <= -GAP)
    return {
      key: key('step up'),
      kind: 'step-up',
      reason: { code: 'felt-easier', ...counted, efforts, by: -gap, ...w.next },
      change,
    };
  return { key: key('go on'), kind: 'go-on', reason: { code: 'as-planned', ...counted, efforts }, change: null };
}
