import type { Block } from '../../document/document.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { SessionPlan } from '../../session/plan.ts';
import { buildStages } from '../build-stages.ts';
import type { Call } from './calls.ts';
import type { Cue } from './cue.ts';
import { nextToDo } from './calls.ts';
import type { ClockState } from '../clock.ts';
import { withSetUps } from './set-up.ts';
import { nextCallInMs, runClock, stageSpentMs, startClock, tapsOf, topSetOf } from '../clock.ts';
import type { Side, Stage } from '../stage.ts';
import { carriedFigure, hasWork } from '../stage.ts';
import { turnAt } from '../turns.ts';

/** One call of a session that goes as is likely. */
export interface LikelyCall {
  /** Seconds since the clock was started. */
  readonly at: number;
  /** What a voice says; empty where a tone is enough. */
  readonly say: string;
  readonly kind: Cue;
  readonly block: number;
  /** From 1; 0 outside rounds. */
  readonly round: number;
  /** The id of what is done, or comes next where it is called ahead; null where that is several things or none. */
  readonly movement: string | null;
  /** The side that is worked from here on; null where there is nothing to tell apart. */
  readonly side: Side | null;
  readonly reps: number | null;
}

/** More calls than any session has: a guard against a session without an end. */
const MOST_CALLS = 20_000;

/**
 * What the clock calls for somebody who keeps to the likely pace, in order: it is run with every tap where the plan has it. `blocks` are
 * the resolved ones that the plan was computed from.
 */
export function likelyCalls(plan: SessionPlan, blocks: readonly Block[], library: MovementLibrary): LikelyCall[] {
  const stages = withSetUps(buildStages(plan, blocks), library);
  const found: LikelyCall[] = [];
  let state = startClock(0);
  let nowMs = 0;
  const run = (event: 'tick' | 'tap' | 'next') => {
    const next = runClock(state, event, stages, nowMs);
    // A tempo is counted only where somebody wishes it.
    for (const call of next.calls.filter((c) => c.cue !== 'tempo'))
      found.push(toLikely(call, next.state, stages, nowMs, library));
    state = next.state;
  };
  run('tick');
  while (state.status === 'running' && found.length < MOST_CALLS) {
    const stage = stages[state.stage]!;
    const spentMs = stageSpentMs(state, nowMs);
    const taps = stage.taps ? likelyTaps(state, stages, library) : [];
    const tapMs = (taps[tapsOf(state)] ?? Infinity) * 1000 - spentMs;
    const ownMs = stage.ruledBy === 'own' ? stage.durationSec * 1000 - spentMs : Infinity;
    // A round more is taken where it belongs to the likely course, at once.
    const isTaken = stage.offersRound && stage.round <= plan.blocks[stage.block]!.likelyRounds;
    const offerMs = isTaken && state.calledSec >= 0 ? 0 : Infinity;
    const tickMs = nextCallInMs(state, stages, nowMs) ?? Infinity;
    const inMs = Math.max(0, Math.min(tapMs, ownMs, offerMs, tickMs));
    nowMs += inMs;
    if (tapMs <= inMs) run('tap');
    else if (ownMs <= inMs || offerMs <= inMs) run('next');
    else run('tick');
  }
  return found;
}

/** When a list is likely to be done once more: as planned, or by its numbers and the movements' pace. */
function likelyTaps(state: ClockState, stages: readonly Stage[], library: MovementLibrary): readonly number[] {
  const stage = stages[state.stage]!;
  if (stage.swapsByItem) return likelySwaps(stage, library);
  const lines = stage.lines.filter((l) => l.carried !== undefined);
  if (stage.likelyTapsSec.length > 0 || lines.length === 0) return stage.likelyTapsSec;
  const top = topSetOf(state, stages);
  const found: number[] = [];
  let sec = 0;
  for (let set = 0; found.length < MOST_SETS; set++) {
    for (const { movement, carried } of lines) {
      const repSec = library.findByName(movement)?.paceSec.likely ?? USUAL_REP_SEC;
      sec += Number(carriedFigure(carried!, set, top)) * repSec;
    }
    if (sec >= stage.durationSec) break;
    found.push(sec);
  }
  return found;
}

/** When partners who swap at every item are likely to swap: by each line's number and its movement's pace. */
function likelySwaps(stage: Stage, library: MovementLibrary): readonly number[] {
  const found: number[] = [];
  let sec = 0;
  while (found.length < MOST_SETS * stage.partners) {
    const line = stage.lines[turnAt(stage, found.length)?.line ?? 0];
    const reps = /^\d+$/.test(line?.figure ?? '') ? Number(line!.figure) : USUAL_REPS;
    sec += reps * (library.findByName(line?.movement ?? '')?.paceSec.likely ?? USUAL_REP_SEC);
    if (sec >= stage.durationSec) break;
    found.push(sec);
  }
  return found;
}

const MOST_SETS = 100;
/** Of a line without a number (common practice, no source). */
const USUAL_REPS = 10;
/** Of a movement that nobody knows (common practice, no source). */
const USUAL_REP_SEC = 3;

function toLikely(
  call: Call,
  state: ClockState,
  stages: readonly Stage[],
  nowMs: number,
  library: MovementLibrary,
): LikelyCall {
  const stage = stages[call.stage]!;
  // A rest and the time to get ready are about what comes.
  const about = hasWork(stage) || call.cue === 'finish' ? stage : (nextToDo(stages, call.stage) ?? stage);
  const lines = about.lines.filter((l) => l.movement !== '');
  const name = about.movement !== '' ? about.movement : lines.length === 1 ? lines[0]!.movement : '';
  const isEnd = call.cue === 'finish';
  return {
    at: Math.round((nowMs - call.lateMs) / 10) / 100,
    say: call.words,
    kind: call.cue,
    block: stage.block,
    round: call.cue === 'number' ? tapsOf(state, call.stage) + 1 : about.round,
    movement: isEnd || name === '' ? null : (library.findByName(name)?.id ?? null),
    side: isEnd ? null : sideAt(about, about === stage ? call.atSec : 0),
    reps: isEnd ? null : repsOf(call, about),
  };
}

/** Which side it is at a second of a stage. */
function sideAt({ sides, switchAtSec }: Stage, atSec: number): Side | null {
  if (sides.length === 0) return null;
  if (sides.length > 1 && switchAtSec.length === 0) return null;
  return sides[switchAtSec.filter((s) => s <= atSec).length % sides.length]!;
}

function repsOf({ cue, words }: Call, { figure, lines }: Stage): number | null {
  const called = cue === 'number' ? /^\d+/.exec(words)?.[0] : undefined;
  const said = called ?? (figure === '' && lines.length === 1 ? lines[0]!.figure : figure);
  return /^\d+$/.test(said) ? Number(said) : null;
}
