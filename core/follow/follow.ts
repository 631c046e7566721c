import type { Stage } from './stage.ts';

/**
 * The clock that a participant follows. Times are milliseconds of one monotonic clock, given by the caller.
 * `spentMs` is what the present stage had already used up when the clock was last started (`anchorMs`).
 */
export interface FollowState {
  readonly status: 'running' | 'paused' | 'finished';
  readonly stage: number;
  readonly spentMs: number;
  readonly anchorMs: number;
  /** Rounds tapped in an open span, by block. */
  readonly roundsByBlock: Readonly<Record<number, number>>;
  /** Time that ran in each block, stages that were left included, pauses not. */
  readonly spentByBlockMs: Readonly<Record<number, number>>;
  /** Blocks of which a stage was skipped before its time. */
  readonly skippedBlocks: readonly number[];
}

export type FollowEvent = 'tick' | 'pause' | 'resume' | 'next' | 'back' | 'round';

export function startFollow(nowMs: number): FollowState {
  return {
    status: 'running',
    stage: 0,
    spentMs: 0,
    anchorMs: nowMs,
    roundsByBlock: {},
    spentByBlockMs: {},
    skippedBlocks: [],
  };
}

/** Milliseconds that the present stage has run. */
export const stageSpentMs = (state: FollowState, nowMs: number): number =>
  state.spentMs + (state.status === 'running' ? Math.max(0, nowMs - state.anchorMs) : 0);

/** Milliseconds that the present block has run, this stage included. */
export function blockSpentMs(state: FollowState, stages: readonly Stage[], nowMs: number): number {
  const stage = stages[state.stage];
  if (!stage) return 0;
  return (state.spentByBlockMs[stage.block] ?? 0) + (stage.kind === 'get-ready' ? 0 : stageSpentMs(state, nowMs));
}

/** "Back" within this time goes to the stage before, later to the start of this one. */
const BACK_RESTARTS_AFTER_MS = 3000;

/** What an event makes of the state. Ticks that come late carry the time over into the stages that follow. */
export function advance(state: FollowState, event: FollowEvent, stages: readonly Stage[], nowMs: number): FollowState {
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
      const early = stage.ruledBy === 'clock' && stage.kind !== 'get-ready' && stage.kind !== 'rest';
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
        anchorMs: nowMs,
      };
    }
    case 'round': {
      const stage = stages[state.stage];
      if (!stage?.countsRounds) return state;
      return {
        ...state,
        roundsByBlock: { ...state.roundsByBlock, [stage.block]: (state.roundsByBlock[stage.block] ?? 0) + 1 },
      };
    }
  }
}

function tick(state: FollowState, stages: readonly Stage[], nowMs: number): FollowState {
  let now = state;
  while (now.status === 'running') {
    const stage = stages[now.stage];
    if (!stage) return { ...now, status: 'finished' };
    if (stage.capSec !== null && stage.kind !== 'get-ready') {
      const overMs = blockSpentMs(now, stages, nowMs) - stage.capSec * 1000;
      if (overMs >= 0) {
        now = leave(now, stages, nowMs, stageSpentMs(now, nowMs) - overMs, overMs, true);
        continue;
      }
    }
    if (stage.ruledBy === 'own') return now;
    const overMs = stageSpentMs(now, nowMs) - stage.durationSec * 1000;
    if (overMs < 0) return now;
    now = leave(now, stages, nowMs, stage.durationSec * 1000, overMs);
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
  const spent = stage.kind === 'get-ready' ? {} : { [stage.block]: (state.spentByBlockMs[stage.block] ?? 0) + spentMs };
  let next = state.stage + 1;
  while (pastBlock && stages[next]?.block === stage.block) next++;
  return {
    ...state,
    status: next >= stages.length ? 'finished' : state.status,
    stage: next,
    spentMs: carriedMs,
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
  else if (stage.kind !== 'get-ready') cues.push({ atSec: 0, cue: 'go' });
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
      return [stage.figure, stage.title].filter(Boolean).join(' ');
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
      return 'Switch sides';
    case 'ten':
      return 'Ten seconds';
    case 'work-cap':
      return 'Finish this one';
    case 'finish':
      return 'That was all. Well done.';
  }
}
