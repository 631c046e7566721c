import type { Stage } from './stage.ts';
import { spokenDose } from './stage.ts';

/**
 * The clock that a participant follows. Times are milliseconds of one monotonic clock, given by the caller.
 * `spentMs` is what the present stage had already used up when the clock was last started (`anchorMs`).
 */
export interface FollowState {
  readonly status: 'running' | 'paused' | 'finished';
  readonly stage: number;
  readonly spentMs: number;
  readonly anchorMs: number;
  /** What was tapped in each stage: rounds, sets, swaps. */
  readonly tapsByStage: Readonly<Record<number, number>>;
  /** What was said when the time of a stage was up: the set that was stopped in, or repetitions. */
  readonly answersByStage: Readonly<Record<number, number>>;
  /** The stages in which the participant ended their block. */
  readonly endedStages: readonly number[];
  /** Time added to the present stage, where one may. */
  readonly extraMs: number;
  /** Time that ran in each block, stages that were left included, pauses not. */
  readonly spentByBlockMs: Readonly<Record<number, number>>;
  /** Blocks of which a stage was skipped before its time. */
  readonly skippedBlocks: readonly number[];
}

export type FollowEvent =
  | 'tick'
  | 'pause'
  | 'resume'
  | 'next'
  | 'back'
  /** One more round, set or swap; and one less, where a finger slipped. */
  | 'tap'
  | 'untap'
  /** The block ends here: what is left of it is not done. */
  | 'end'
  /** Ten seconds more to get ready. */
  | 'more'
  | { readonly kind: 'answer'; readonly stage: number; readonly value: number };

/** What "more" adds. */
export const MORE_MS = 10_000;

export function startFollow(nowMs: number): FollowState {
  return {
    status: 'running',
    stage: 0,
    spentMs: 0,
    anchorMs: nowMs,
    tapsByStage: {},
    answersByStage: {},
    endedStages: [],
    extraMs: 0,
    spentByBlockMs: {},
    skippedBlocks: [],
  };
}

/** Time in which nothing is done yet. */
export const isWaiting = ({ kind }: Stage): boolean => kind === 'get-ready' || kind === 'ready';

/** What was tapped in a stage, the present one where none is named. */
export const tapsOf = (state: FollowState, stage: number = state.stage): number => state.tapsByStage[stage] ?? 0;

/**
 * The set that a pyramid's way down begins from: what was said of the way up, else the one after those that were tapped.
 * 1 where there is no way up before it.
 */
export function topSetOf(state: FollowState, stages: readonly Stage[], stage: number = state.stage): number {
  const block = stages[stage]?.block;
  for (let i = stage - 1; i >= 0 && stages[i]!.block === block; i--) {
    if (stages[i]!.asks?.what === 'set') return Math.max(1, state.answersByStage[i] ?? tapsOf(state, i) + 1);
  }
  return 1;
}

/** The stage whose question is still to be answered: the last one behind that has one. */
export function openQuestion(state: FollowState, stages: readonly Stage[]): number | undefined {
  for (let i = Math.min(state.stage, stages.length) - 1; i >= 0; i--) {
    const stage = stages[i]!;
    if (stage.asks) return state.answersByStage[i] === undefined ? i : undefined;
    if (stage.kind === 'work' || stage.kind === 'span') return undefined;
  }
  return undefined;
}

/** Milliseconds that the present stage has run. */
export const stageSpentMs = (state: FollowState, nowMs: number): number =>
  state.spentMs + (state.status === 'running' ? Math.max(0, nowMs - state.anchorMs) : 0);

/** Milliseconds that the present block has run, this stage included. */
export function blockSpentMs(state: FollowState, stages: readonly Stage[], nowMs: number): number {
  const stage = stages[state.stage];
  if (!stage) return 0;
  return (state.spentByBlockMs[stage.block] ?? 0) + (isWaiting(stage) ? 0 : stageSpentMs(state, nowMs));
}

/** "Back" within this time goes to the stage before, later to the start of this one. */
const BACK_RESTARTS_AFTER_MS = 3000;

/** What an event makes of the state. Ticks that come late carry the time over into the stages that follow. */
export function advance(state: FollowState, event: FollowEvent, stages: readonly Stage[], nowMs: number): FollowState {
  if (typeof event === 'object')
    return { ...state, answersByStage: { ...state.answersByStage, [event.stage]: Math.max(0, event.value) } };
  if (state.status === 'finished' && event !== 'back') return state;
  switch (event) {
    case 'pause':
      return state.status === 'running'
        ? { ...state, status: 'paused', spentMs: stageSpentMs(state, nowMs), anchorMs: nowMs }
        : state;
    case 'resume':
      return state.status === 'paused' ? { ...state, status: 'running', anchorMs: nowMs } : state;
    case 'tick':
      return tick(state, stages, nowMs);
    case 'next': {
      const stage = stages[state.stage];
      if (!stage) return state;
      const early =
        stage.ruledBy === 'clock' && stage.kind !== 'get-ready' && stage.kind !== 'ready' && stage.kind !== 'rest';
      const skipped =
        early && !state.skippedBlocks.includes(stage.block)
          ? [...state.skippedBlocks, stage.block]
          : state.skippedBlocks;
      return leave({ ...state, skippedBlocks: skipped }, stages, nowMs, stageSpentMs(state, nowMs), 0);
    }
    case 'back': {
      const restart = state.status !== 'finished' && stageSpentMs(state, nowMs) > BACK_RESTARTS_AFTER_MS;
      const stage = restart ? state.stage : Math.max(0, Math.min(state.stage, stages.length) - 1);
      return {
        ...state,
        status: state.status === 'finished' ? 'paused' : state.status,
        stage,
        spentMs: 0,
        extraMs: 0,
        anchorMs: nowMs,
      };
    }
    case 'tap':
    case 'untap': {
      if (!stages[state.stage]?.taps) return state;
      const taps = Math.max(0, tapsOf(state) + (event === 'tap' ? 1 : -1));
      return { ...state, tapsByStage: { ...state.tapsByStage, [state.stage]: taps } };
    }
    case 'end': {
      if (!stages[state.stage]?.ends) return state;
      const ended = { ...state, endedStages: [...state.endedStages, state.stage] };
      return leave(ended, stages, nowMs, stageSpentMs(state, nowMs), 0, true);
    }
    case 'more': {
      const kind = stages[state.stage]?.kind;
      return kind === 'ready' || kind === 'get-ready' ? { ...state, extraMs: state.extraMs + MORE_MS } : state;
    }
  }
}

function tick(state: FollowState, stages: readonly Stage[], nowMs: number): FollowState {
  let now = state;
  while (now.status === 'running') {
    const stage = stages[now.stage];
    if (!stage) return { ...now, status: 'finished' };
    if (stage.capSec !== null && !isWaiting(stage)) {
      const overMs = blockSpentMs(now, stages, nowMs) - stage.capSec * 1000;
      if (overMs >= 0) {
        now = leave(now, stages, nowMs, stageSpentMs(now, nowMs) - overMs, overMs, true);
        continue;
      }
    }
    if (stage.ruledBy === 'own') return now;
    const lengthMs = stage.durationSec * 1000 + now.extraMs;
    const overMs = stageSpentMs(now, nowMs) - lengthMs;
    if (overMs < 0) return now;
    now = leave(now, stages, nowMs, lengthMs, overMs);
  }
  return now;
}

/** Goes on to the next stage (or past the block), which has then already run for `carriedMs`. */
function leave(
  state: FollowState,
  stages: readonly Stage[],
  nowMs: number,
  spentMs: number,
  carriedMs: number,
  pastBlock = false,
): FollowState {
  const stage = stages[state.stage]!;
  const spent = isWaiting(stage) ? {} : { [stage.block]: (state.spentByBlockMs[stage.block] ?? 0) + spentMs };
  let next = state.stage + 1;
  while (pastBlock && stages[next]?.block === stage.block) next++;
  return {
    ...state,
    status: next >= stages.length ? 'finished' : state.status,
    stage: next,
    spentMs: carriedMs,
    extraMs: 0,
    anchorMs: nowMs,
    spentByBlockMs: { ...state.spentByBlockMs, ...spent },
  };
}

export type Cue = 'go' | 'rest' | 'three' | 'two' | 'one' | 'halfway' | 'switch' | 'ten' | 'work-cap' | 'finish';

/** A clock stage shorter than this has no call at half of its time. */
const HALFWAY_FROM_SEC = 30;

/** The calls of a stage with their seconds from its start, in order. Own-pace stages have only the first. */
export function cuesOf(stage: Stage): { atSec: number; cue: Cue }[] {
  const cues: { atSec: number; cue: Cue }[] = [];
  if (stage.kind === 'rest') cues.push({ atSec: 0, cue: 'rest' });
  else if (!isWaiting(stage)) cues.push({ atSec: 0, cue: 'go' });
  if (stage.ruledBy === 'own') return cues;
  const { durationSec } = stage;
  for (const atSec of stage.switchAtSec) cues.push({ atSec, cue: 'switch' });
  const half = Math.round(durationSec / 2);
  const isFree = (sec: number) => !cues.some((c) => Math.abs(c.atSec - sec) < 4);
  if (stage.workCapSec !== null && stage.workCapSec < durationSec - 4)
    cues.push({ atSec: stage.workCapSec, cue: 'work-cap' });
  if (stage.kind === 'work' || stage.kind === 'span') {
    if (durationSec >= HALFWAY_FROM_SEC && isFree(half)) cues.push({ atSec: half, cue: 'halfway' });
  }
  if (durationSec >= HALFWAY_FROM_SEC && isFree(durationSec - 10)) cues.push({ atSec: durationSec - 10, cue: 'ten' });
  for (const [before, cue] of [
    [3, 'three'],
    [2, 'two'],
    [1, 'one'],
  ] as const) {
    if (durationSec > before && !cues.some((c) => c.atSec === durationSec - before && c.cue !== 'go'))
      cues.push({ atSec: durationSec - before, cue });
  }
  return cues.sort((a, b) => a.atSec - b.atSec);
}

/** The calls that became due after `fromSec` and up to `toSec` of a stage. */
export const cuesBetween = (stage: Stage, fromSec: number, toSec: number): Cue[] =>
  cuesOf(stage)
    .filter((c) => c.atSec > fromSec && c.atSec <= toSec)
    .map((c) => c.cue);

/** What a voice says at a call; empty where a sound is enough. */
export function cueWords(cue: Cue, stage: Stage): string {
  switch (cue) {
    case 'go':
      return spokenDose(stage.figure, stage.title, stage.sides);
    case 'rest':
      return 'Rest';
    case 'three':
      return 'Three';
    case 'two':
      return 'Two';
    case 'one':
      return 'One';
    case 'halfway':
      return 'Halfway';
    case 'switch':
      return stage.switchAtSec.length === 1 && stage.sides[1] ? `Switch sides, now ${stage.sides[1]}` : 'Switch sides';
    case 'ten':
      return 'Ten seconds';
    case 'work-cap':
      return 'Finish this one';
    case 'finish':
      return 'That was all. Well done.';
  }
}
