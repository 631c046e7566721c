import type { MovementLibrary } from '../movement/library.ts';
import type { EstimateSec } from '../pace/pace.ts';
import { addEstimates, exactly, isExact } from '../pace/pace.ts';
import type { Block, Role, SessionDocument, Span } from '../document/document.ts';
import type { Routines } from './resolve.ts';
import { resolveBlocks } from './resolve.ts';
import type { Part, PartKind, Step } from '../forms/step.ts';
import { likelyRounds, roundsOf, unroll } from '../forms/unroll.ts';

export type ScoreKind = 'rounds+reps' | 'reps' | 'time' | 'reps-per-window' | 'top-set' | 'none';

/** A stretch of the likely course of a session, half-open, whole seconds from its start. */
export interface Segment {
  readonly startSec: number;
  readonly endSec: number;
  readonly kind: PartKind;
  readonly block: number;
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
  readonly score: ScoreKind;
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
    atSec = pushSegments(timeline, atSec, block, own);
    const plan = planBlock(block, own, timeline.slice(from));
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

/** The length of a step's course under a cap that is reached at `leftSec`. */
function isLikely(step: Step, block: Block): boolean {
  return !step.optional || step.round <= likelyRounds(roundsOf(block));
}

function pushSegments(timeline: Segment[], startSec: number, block: Block, steps: readonly Step[]): number {
  let atSec = startSec;
  const capSec = block.time.kind === 'own' ? block.time.capSec : undefined;
  let set = 0;
  let leftSec = Infinity;
  for (const step of steps) {
    if (!isLikely(step, block)) continue;
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

function planBlock(block: Block, steps: readonly Step[], segments: readonly Segment[]): BlockPlan {
  const thenRestSec = steps.at(-1)?.purpose === 'then-rest' ? block.thenRestSec! : 0;
  const span = roundsOf(block);
  const perSet = (of: keyof EstimateSec, rounds: number): number => {
    const capSec = (block.time.kind === 'own' ? block.time.capSec : undefined) ?? Infinity;
    const bySet = new Map<number, number>();
    let between = 0;
    for (const s of steps) {
      if (s.purpose === 'then-rest') continue;
      if (s.purpose === 'set-rest') between += s.sec[of];
      else if (s.round <= rounds || !s.optional) bySet.set(s.set, (bySet.get(s.set) ?? 0) + s.sec[of]);
    }
    return between + sumOf([...bySet.values()], (sec) => Math.min(sec, capSec));
  };
  const clockSec = {
    low: perSet('low', span.low),
    likely: perSet('likely', likelyRounds(span)),
    high: perSet('high', span.high),
  };
  const restSec = sumOf(segments, (s) => (s.kind === 'rest' ? s.endSec - s.startSec : 0)) - thenRestSec;
  return {
    role: block.role,
    label: block.label ?? null,
    estimated: !isExact(clockSec),
    clockSec,
    workSec: clockSec.likely - restSec,
    restSec,
    rounds: steps.length === 0 ? null : statedRounds(block),
    intervals: countIntervals(block, steps),
    score: scoreKind(block),
    reps: repsOf(steps, block),
    thenRestSec,
  };
}

function statedRounds(block: Block): Span | null {
  const items = block.items.length;
  switch (block.time.kind) {
    case 'flow':
      return { low: 1, high: 1 };
    case 'own':
      return roundsOf(block);
    case 'slots':
      return { low: Math.floor(block.time.slots / items), high: Math.ceil(block.time.slots / items) };
    case 'intervals': {
      if (block.count?.kind === 'pyramid') return null;
      if (block.time.total === undefined) return roundsOf(block);
      return { low: Math.floor(block.time.total / items), high: Math.ceil(block.time.total / items) };
    }
    default:
      return null;
  }
}

function countIntervals(block: Block, steps: readonly Step[]): number | null {
  const sets = block.sets?.count ?? 1;
  switch (block.time.kind) {
    case 'slots':
      return block.time.slots * sets;
    case 'windows':
      return block.time.windows * sets;
    case 'intervals':
      return steps.filter(
        (s) =>
          isLikely(s, block) &&
          (s.purpose === 'interval' || s.purpose === 'pyramid' || (s.purpose === 'rest' && s.items.length > 0)),
      ).length;
    default:
      return null;
  }
}

/** What a block is scored by: the form decides (docs/notation.md, "Scores"). */
export function scoreKind(block: Block): ScoreKind {
  const works = block.items.filter((item) => item.kind === 'work');
  const isMax = works.map((item) => item.dose?.kind === 'max');
  if (block.count?.kind === 'pyramid') return 'top-set';
  if (block.time.kind === 'span' && block.time.turnsOf === undefined)
    return works.length === 1 && isMax[0] ? 'reps' : 'rounds+reps';
  if (block.time.kind === 'windows') return 'reps-per-window';
  if (block.time.kind === 'own' && block.time.forTime) return 'time';
  return isMax.some(Boolean) ? 'reps' : 'none';
}

/** All that is written, also where a cap is likely to come first: what is done by then is the score. */
function repsOf(steps: readonly Step[], block: Block): RepsByMovement {
  const reps: Record<string, number> = {};
  for (const step of steps) {
    if (!isLikely(step, block)) continue;
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
  const kit = new Set<string>();
  for (const block of blocks) {
    for (const item of block.items) {
      if (item.kind !== 'work') continue;
      for (const choice of item.inTurn ? item.choices : item.choices.slice(0, 1)) {
        for (const piece of library.findByName(choice.name)?.kit ?? []) kit.add(piece);
      }
    }
  }
  return [...kit];
}
