import { joinKit } from '../movement/kit.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { EstimateSec } from '../pace/pace.ts';
import { addEstimates, exactly, isExact } from '../pace/pace.ts';
import type { Block, Role, SessionDocument, Span } from '../document/document.ts';
import type { Routines } from './resolve.ts';
import { resolveBlocks } from './resolve.ts';
import type { Part, PartKind, Step } from '../forms/step.ts';
import type { ScoreForm, ScoreKind } from '../forms/form.ts';
import { capSecOf, formOf, scoreOf, unroll } from '../forms/forms.ts';
import { likelyRounds } from '../forms/rounds.ts';

export type { ScoreKind };

/** A stretch of the likely course of a session, half-open, whole seconds from its start. */
export interface Segment {
  readonly startSec: number;
  readonly endSec: number;
  readonly kind: PartKind;
  readonly block: number;
  /** From 1. */
  readonly set: number;
  readonly round: number;
  readonly item: number | null;
  readonly movementId: string | null;
  readonly name: string | null;
  readonly side: 'left' | 'right' | null;
  readonly reps: number | null;
  readonly estimated: boolean;
  readonly effort: number;
  /** For an open span: what is likely to fill it, in order, for the picture only. */
  readonly expected?: readonly Part[];
}

/** Repetitions by movement id, in the order of first appearance; open doses are left out. */
export type RepsByMovement = Readonly<Record<string, number>>;

export interface BlockPlan {
  readonly role: Role;
  readonly label: string | null;
  readonly estimated: boolean;
  readonly clockSec: EstimateSec;
  readonly workSec: number;
  readonly restSec: number;
  readonly rounds: Span | null;
  readonly intervals: number | null;
  /** The rounds that the sums count with; 0 where there are none. */
  readonly likelyRounds: number;
  readonly score: ScoreKind;
  /** What is asked for to score it; null where nothing is. */
  readonly scoreForm: ScoreForm | null;
  readonly sets: number;
  readonly capSec: number | null;
  readonly reps: RepsByMovement;
  /** Rest after the block: counts in the session's length, not in the block's. */
  readonly thenRestSec: number;
}

export interface MovementCount {
  readonly id: string;
  readonly name: string;
  readonly known: boolean;
  /** 0 where all its doses are times or open. */
  readonly reps: number;
  /** Likely seconds of those doses that are times. */
  readonly heldSec: number;
  readonly hasOpenDose: boolean;
}

export interface SessionPlan {
  readonly clockSec: EstimateSec;
  readonly estimated: boolean;
  readonly workSec: number;
  readonly restSec: number;
  readonly reps: RepsByMovement;
  readonly movements: readonly MovementCount[];
  /** What the items need, in order of first appearance. */
  readonly kit: readonly string[];
  readonly blocks: readonly BlockPlan[];
  /** Without gaps or overlaps; its parts add up to the likely lengths. */
  readonly timeline: readonly Segment[];
  readonly steps: readonly Step[];
}

/**
 * The plan of a session: exact for clocks, low, likely and high for own pace, by the rules of
 * docs/notation.md ("How time is counted"). An empty document gives zeros and empty lists.
 */
export function computePlan(document: SessionDocument, library: MovementLibrary, routines?: Routines): SessionPlan {
  const blocks = resolveBlocks(document, routines);
  const steps: Step[] = [];
  const blockPlans: BlockPlan[] = [];
  const timeline: Segment[] = [];
  const reps: Record<string, number> = {};
  let clockSec = exactly(0);
  let atSec = 0;
  for (const [index, block] of blocks.entries()) {
    const own = unroll(block, index, library);
    for (const s of own) steps.push(s);
    const from = timeline.length;
    const span = spanOfSteps(own);
    const likely = own.filter((step) => isLikelyStep(step, span.likely));
    atSec = pushSegments(timeline, atSec, block, likely);
    const plan = planBlock(block, { steps: own, likely, span }, timeline.slice(from));
    blockPlans.push(plan);
    addReps(reps, plan.reps);
    clockSec = addEstimates(clockSec, addEstimates(plan.clockSec, exactly(plan.thenRestSec)));
  }
  const restSec = sumOf(timeline, (s) => (s.kind === 'rest' ? s.endSec - s.startSec : 0));
  const movements = countMovements(timeline, reps, library);
  return {
    clockSec,
    estimated: !isExact(clockSec),
    workSec: clockSec.likely - restSec,
    restSec,
    reps,
    movements,
    kit: neededKit(blocks, library),
    blocks: blockPlans,
    timeline,
    steps,
  };
}

const sumOf = <T>(list: readonly T[], of: (x: T) => number): number => list.reduce((sum, x) => sum + of(x), 0);

/** Whether a step belongs to the likely course: rounds up to `likely` do. */
export const isLikelyStep = (step: Step, likely: number): boolean =>
  (!step.optional && step.holds === undefined) || step.round <= likely;

/** The rounds of some steps: those that must be done, those that are likely, and all. The turn that a climb fails in isn't one of them. */
export function spanOfSteps(steps: readonly Step[]): Span & { readonly likely: number } {
  let low = 0;
  let high = 0;
  let likely: number | undefined;
  for (const { round, optional, holds } of steps) {
    // The first turn is done at any rate, if only to find that it is too much.
    const isFirst = round === 1;
    if (holds !== undefined) {
      if (holds === 'always' || isFirst) low = Math.max(low, round);
      if (holds === 'always' || holds === 'likely' || isFirst) likely = Math.max(likely ?? 0, round);
      if (holds !== 'never' || isFirst) high = Math.max(high, round);
      continue;
    }
    if (round > high) high = round;
    if (!optional && round > low) low = round;
  }
  return { low, likely: likely ?? likelyRounds({ low, high }), high };
}

function pushSegments(timeline: Segment[], startSec: number, block: Block, steps: readonly Step[]): number {
  let atSec = startSec;
  const capSec = capSecOf(block);
  let set = 0;
  let leftSec = Infinity;
  for (const step of steps) {
    if (step.set !== set) {
      set = step.set;
      leftSec = capSec ?? Infinity;
    }
    const outside = step.purpose === 'set-rest' || step.purpose === 'then-rest';
    for (const part of step.parts) {
      const sec = outside ? part.sec.likely : Math.min(part.sec.likely, leftSec);
      if (sec <= 0) continue;
      if (!outside) leftSec -= sec;
      const segment: Segment = {
        startSec: atSec,
        endSec: atSec + sec,
        kind: part.kind,
        block: step.block,
        set: step.set,
        round: step.round,
        item: part.item,
        movementId: part.movementId,
        name: part.name,
        side: part.side,
        reps: part.reps,
        estimated: part.estimated,
        effort: part.effort,
      };
      timeline.push(step.expected ? { ...segment, expected: step.expected } : segment);
      atSec += sec;
    }
  }
  return atSec;
}

interface Unrolled {
  readonly steps: readonly Step[];
  /** Those of the likely course. */
  readonly likely: readonly Step[];
  readonly span: ReturnType<typeof spanOfSteps>;
}

function planBlock(block: Block, { steps, likely, span }: Unrolled, segments: readonly Segment[]): BlockPlan {
  const form = formOf(block.time);
  const thenRestSec = steps.at(-1)?.purpose === 'then-rest' ? block.thenRestSec! : 0;
  const perSet = (of: keyof EstimateSec, rounds: number): number => {
    const capSec = capSecOf(block) ?? Infinity;
    const bySet = new Map<number, number>();
    let between = 0;
    for (const s of steps) {
      if (s.purpose === 'then-rest') continue;
      if (s.purpose === 'set-rest') between += s.sec[of];
      else if (isLikelyStep(s, rounds)) bySet.set(s.set, (bySet.get(s.set) ?? 0) + s.sec[of]);
    }
    return between + sumOf([...bySet.values()], (sec) => Math.min(sec, capSec));
  };
  const clockSec = {
    low: perSet('low', span.low),
    likely: perSet('likely', span.likely),
    high: perSet('high', span.high),
  };
  const scoreForm = scoreOf(block);
  const restSec = sumOf(segments, (s) => (s.kind === 'rest' ? s.endSec - s.startSec : 0)) - thenRestSec;
  return {
    role: block.role,
    label: block.label ?? null,
    estimated: !isExact(clockSec),
    clockSec,
    workSec: clockSec.likely - restSec,
    restSec,
    rounds: steps.length === 0 ? null : form.steps.rounds(block.time, block),
    intervals: steps.length === 0 ? null : form.steps.intervals(block.time, block, likely),
    likelyRounds: span.likely,
    score: scoreForm?.kind ?? 'none',
    scoreForm,
    sets: block.sets?.count ?? 1,
    capSec: capSecOf(block) ?? null,
    reps: repsOf(likely),
    thenRestSec,
  };
}

/** All that is written, also where a cap is likely to come first: what is done by then is the score. */
function repsOf(steps: readonly Step[]): RepsByMovement {
  const reps: Record<string, number> = {};
  for (const step of steps) {
    for (const part of step.parts) {
      if (part.movementId !== null && part.reps !== null)
        reps[part.movementId] = (reps[part.movementId] ?? 0) + part.reps;
    }
  }
  return reps;
}

function addReps(all: Record<string, number>, own: RepsByMovement): void {
  for (const [id, count] of Object.entries(own)) all[id] = (all[id] ?? 0) + count;
}

/** What is done of each movement, most repetitions first, then the longest held. */
function countMovements(timeline: readonly Segment[], reps: RepsByMovement, library: MovementLibrary): MovementCount[] {
  const counts = new Map<string, { -readonly [K in keyof MovementCount]: MovementCount[K] }>();
  for (const s of timeline) {
    const parts = s.movementId === null ? (s.expected ?? []) : [s];
    for (const part of parts) {
      if (part.movementId === null) continue;
      let count = counts.get(part.movementId);
      if (!count) {
        count = {
          id: part.movementId,
          name: part.name ?? part.movementId,
          known: library.find(part.movementId) !== undefined,
          reps: 0,
          heldSec: 0,
          hasOpenDose: false,
        };
        counts.set(part.movementId, count);
      }
      if (s.kind === 'open') count.hasOpenDose = true;
      else if (s.reps === null) count.heldSec += s.endSec - s.startSec;
    }
  }
  for (const [id, count] of Object.entries(reps)) {
    const own = counts.get(id);
    if (own) own.reps = count;
    else
      counts.set(id, {
        id,
        name: library.find(id)?.name ?? id,
        known: library.find(id) !== undefined,
        reps: count,
        heldSec: 0,
        hasOpenDose: false,
      });
  }
  return [...counts.values()].sort((a, b) => b.reps - a.reps || b.heldSec - a.heldSec);
}

/** Kit of the movements as written; the participant's alternatives need theirs only if taken. */
function neededKit(blocks: readonly Block[], library: MovementLibrary): string[] {
  const kit: string[] = [];
  for (const block of blocks) {
    for (const item of block.items) {
      if (item.kind !== 'work') continue;
      for (const choice of item.inTurn ? item.choices : item.choices.slice(0, 1)) {
        for (const piece of library.findByName(choice.name)?.kit ?? []) kit.push(piece);
      }
    }
  }
  return joinKit(kit);
}
