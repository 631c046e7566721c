import { groupBy } from '../group-by.ts';
import type { Call } from './voice/calls.ts';
import { turnAt, turnWords } from './turns.ts';
import { callsBetween, cuesOf } from './voice/calls.ts';
import { paceStanding } from './voice/pace-standing.ts';
import { tempoCues } from './voice/tempo.ts';
import { numberAt, numberWords } from './voice/number-calls.ts';
import type { ShapeChange } from './shape-change.ts';
import type { Stage } from './stage.ts';
import { isWaiting } from './stage.ts';

/**
 * The clock that a participant follows. Times are milliseconds of one monotonic clock, given by the caller.
 * `spentMs` is what the present stage had already used up when the clock was last started (`anchorMs`).
 */
export interface ClockState {
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
  /** The turns whose work wasn't over when it should have been, as they were told. */
  readonly overStages: readonly number[];
  /** Time added to the present stage, where one may. */
  readonly extraMs: number;
  /** Time that ran in each block, stages that were left included, pauses not. */
  readonly spentByBlockMs: Readonly<Record<number, number>>;
  /** The longest that each stage ran before it was left. */
  readonly spentByStageMs: Readonly<Record<number, number>>;
  /** Blocks of which a stage was skipped before its time. */
  readonly skippedBlocks: readonly number[];
  /** Up to this second of the present stage its calls were made; -1 where none was. */
  readonly calledSec: number;
  /** Movements that were made easier or harder, stood in for or left out, in that order. */
  readonly changes: readonly ShapeChange[];
  /** Where something hurt. */
  readonly hurts: readonly Hurt[];
}

/** A pain that was told during a session. Cautions, never a diagnosis. */
export interface Hurt {
  readonly block: number;
  /** As it is written. */
  readonly movement: string;
  readonly area: string;
  readonly did: 'stand-in' | 'left-out' | 'ended';
  /** What stood in; empty where nothing did. */
  readonly to: string;
}

export type ClockEvent =
  | 'tick'
  | 'pause'
  | 'resume'
  | 'next'
  | 'back'
  /** One more round, set or swap; and one less, where a finger slipped. */
  | 'tap'
  | 'untap'
  /** The work of this turn isn't over in time; once more: it is after all. */
  | 'over'
  /** The block ends here: what is left of it is not done. */
  | 'end'
  /** Ten seconds more to get ready. */
  | 'more'
  | { readonly kind: 'answer'; readonly stage: number; readonly value: number }
  | { readonly kind: 'change'; readonly change: ShapeChange }
  | { readonly kind: 'hurt'; readonly hurt: Hurt };

/** What "more" adds. */
export const MORE_MS = 10_000;

export function startClock(nowMs: number): ClockState {
  return {
    status: 'running',
    stage: 0,
    spentMs: 0,
    anchorMs: nowMs,
    tapsByStage: {},
    answersByStage: {},
    endedStages: [],
    overStages: [],
    extraMs: 0,
    spentByBlockMs: {},
    spentByStageMs: {},
    skippedBlocks: [],
    calledSec: -1,
    changes: [],
    hurts: [],
  };
}

/** What was tapped in a stage, the present one where none is named. */
export const tapsOf = (state: ClockState, stage: number = state.stage): number => state.tapsByStage[stage] ?? 0;

/**
 * The set that a pyramid's way down begins from: what was said of the way up, else the one after those that were tapped.
 * 1 where there is no way up before it.
 */
export function topSetOf(state: ClockState, stages: readonly Stage[], stage: number = state.stage): number {
  const block = stages[stage]?.block;
  for (let i = stage - 1; i >= 0 && stages[i]!.block === block; i--) {
    const goesUp = stages[i]!.lines.some((l) => l.carried?.kind === 'set' && l.carried.direction === 'up');
    if (goesUp) return Math.max(1, state.answersByStage[i] ?? tapsOf(state, i) + 1);
  }
  return 1;
}

/** How many turns of a block weren't over in time, by block; none of a block of which nothing was told. */
export const turnsOver = (
  { overStages }: Pick<ClockState, 'overStages'>,
  stages: readonly Stage[],
): Record<number, number> =>
  Object.fromEntries(
    [...groupBy(overStages, (at) => stages[at]!.block)].map(([block, turns]): [number, number] => [
      block,
      turns.length,
    ]),
  );

/** The stage whose question is still to be answered: the last one behind that has one. */
export function openQuestion(state: ClockState, stages: readonly Stage[]): number | undefined {
  for (let i = Math.min(state.stage, stages.length) - 1; i >= 0; i--) {
    const stage = stages[i]!;
    if (stage.asks) return state.answersByStage[i] === undefined ? i : undefined;
    if (stage.kind === 'work' || stage.kind === 'span') return undefined;
  }
  return undefined;
}

/** Milliseconds that the present stage has run. */
export const stageSpentMs = (state: ClockState, nowMs: number): number =>
  state.spentMs + (state.status === 'running' ? Math.max(0, nowMs - state.anchorMs) : 0);

/** Milliseconds that the present block has run, this stage included. */
export function blockSpentMs(state: ClockState, stages: readonly Stage[], nowMs: number): number {
  const stage = stages[state.stage];
  if (!stage) return 0;
  return (state.spentByBlockMs[stage.block] ?? 0) + (isWaiting(stage) ? 0 : stageSpentMs(state, nowMs));
}

/** "Back" within this time goes to the stage before, later to the start of this one. */
const BACK_RESTARTS_AFTER_MS = 3000;

/** What the clock does at an event, and the calls that are due with it, in order, each of them once. */
export interface ClockRun {
  readonly state: ClockState;
  readonly calls: readonly Call[];
}

/**
 * What an event makes of the state, time up to `nowMs` played first. A tick that comes late carries the time over into the stages that
 * follow, and gives every call that was due in between with how late it is; none comes early, none twice.
 */
export function runClock(state: ClockState, event: ClockEvent, stages: readonly Stage[], nowMs: number): ClockRun {
  const calls: Call[] = [];
  const before = tick(state, stages, nowMs, calls);
  const changed = event === 'tick' ? before : advance(before, event, stages, nowMs);
  if (event === 'tap' && changed !== before) callNumber(changed, stages, nowMs, calls);
  const after = changed.status === 'running' ? tick(changed, stages, nowMs, calls) : changed;
  if (after.status === 'finished' && state.status !== 'finished')
    calls.push({ cue: 'finish', stage: stages.length - 1, atSec: 0, words: 'That was all. Well done.', lateMs: 0 });
  return { state: after, calls };
}

/** A way down is called with the number that it begins with. */
function withFirstNumber(call: Call, state: ClockState, stages: readonly Stage[]): Call {
  const stage = stages[call.stage]!;
  if (call.cue !== 'go' || !stage.lines.some((l) => l.carried?.kind === 'set' && l.carried.direction === 'down'))
    return call;
  const number = numberAt(stage, 0, topSetOf(state, stages, call.stage));
  return number ? { ...call, words: `${call.words}, ${numberWords(number)}` } : call;
}

/** A mark of pace is called with how far ahead or behind one is, once rounds are counted. */
function withStanding(call: Call, state: ClockState, stages: readonly Stage[]): Call {
  const stage = stages[call.stage]!;
  // Rounds before and after fewer repetitions had different numbers: how many were done isn't known from taps.
  const hasFewer = state.changes.some((c) => c.kind === 'fewer' && c.block === stage.block);
  if (call.cue !== 'pace' || hasFewer) return call;
  const words = paceStanding(stage, call.atSec, tapsOf(state, call.stage));
  return words === '' ? call : { ...call, words: `${call.words}, ${words}` };
}

/** The number that a tap begins, or whose turn. */
function callNumber(state: ClockState, stages: readonly Stage[], nowMs: number, calls: Call[]): void {
  const stage = stages[state.stage];
  if (!stage) return;
  const number = numberAt(stage, tapsOf(state), topSetOf(state, stages));
  const turn = turnAt(stage, tapsOf(state));
  const words = turn ? turnWords(turn, stage) : number ? numberWords(number) : '';
  if (words !== '')
    calls.push({ cue: 'number', stage: state.stage, atSec: stageSpentMs(state, nowMs) / 1000, words, lateMs: 0 });
}

/** Milliseconds until the next call or the end of the present stage; undefined where only a tap goes on. */
export function nextCallInMs(state: ClockState, stages: readonly Stage[], nowMs: number): number | undefined {
  const stage = stages[state.stage];
  if (state.status !== 'running' || !stage) return undefined;
  const spentMs = stageSpentMs(state, nowMs);
  const ends = stage.ruledBy === 'clock' ? [stage.durationSec * 1000 + state.extraMs - spentMs] : [];
  const caps =
    stage.capSec !== null && !isWaiting(stage) ? [stage.capSec * 1000 - blockSpentMs(state, stages, nowMs)] : [];
  const calls = [...cuesOf(stage, state.extraMs / 1000), ...tempoCues(stage)]
    .filter((c) => c.atSec > state.calledSec)
    .map((c) => c.atSec * 1000 - spentMs);
  const due = [...ends, ...caps, ...calls];
  return due.length === 0 ? undefined : Math.max(0, Math.min(...due));
}

/** What an event makes of the state. Ticks that come late carry the time over into the stages that follow. */
export function advance(state: ClockState, event: ClockEvent, stages: readonly Stage[], nowMs: number): ClockState {
  if (typeof event === 'object') return note(state, event);
  if (state.status === 'finished' && event !== 'back') return state;
  switch (event) {
    case 'pause':
      return state.status === 'running'
        ? { ...state, status: 'paused', spentMs: stageSpentMs(state, nowMs), anchorMs: nowMs }
        : state;
    case 'resume':
      return state.status === 'paused' ? { ...state, status: 'running', anchorMs: nowMs } : state;
    case 'tick':
      return tick(state, stages, nowMs, []);
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
        calledSec: -1,
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
      if (stages[state.stage]!.offersRound) return leave(state, stages, nowMs, stageSpentMs(state, nowMs), 0, 'round');
      const ended = { ...state, endedStages: [...state.endedStages, state.stage] };
      return leave(ended, stages, nowMs, stageSpentMs(state, nowMs), 0, 'block');
    }
    case 'over': {
      if (stages[state.stage]?.overFromSec === null) return state;
      const others = state.overStages.filter((at) => at !== state.stage);
      return { ...state, overStages: others.length < state.overStages.length ? others : [...others, state.stage] };
    }
    case 'more': {
      const kind = stages[state.stage]?.kind;
      return kind === 'ready' || kind === 'get-ready' ? { ...state, extraMs: state.extraMs + MORE_MS } : state;
    }
  }
}

function note(state: ClockState, event: Exclude<ClockEvent, string>): ClockState {
  switch (event.kind) {
    case 'answer':
      return { ...state, answersByStage: { ...state.answersByStage, [event.stage]: Math.max(0, event.value) } };
    case 'change':
      return { ...state, changes: [...state.changes, event.change] };
    case 'hurt':
      return { ...state, hurts: [...state.hurts, event.hurt] };
  }
}

/** Plays the time up to `nowMs`, and puts the calls that are due into `calls`. */
function tick(state: ClockState, stages: readonly Stage[], nowMs: number, calls: Call[]): ClockState {
  let now = state;
  const call = (toMs: number) => {
    const spentSec = stageSpentMs(now, nowMs) / 1000;
    const toSec = Math.min(spentSec, toMs / 1000);
    const due = callsBetween(stages, now.stage, [now.calledSec, toSec], spentSec, now.extraMs / 1000);
    calls.push(...due.map((c) => withStanding(withFirstNumber(c, now, stages), now, stages)));
    now = { ...now, calledSec: Math.max(now.calledSec, toSec) };
  };
  while (now.status === 'running') {
    const stage = stages[now.stage];
    if (!stage) return { ...now, status: 'finished' };
    if (stage.capSec !== null && !isWaiting(stage)) {
      const overMs = blockSpentMs(now, stages, nowMs) - stage.capSec * 1000;
      if (overMs >= 0) {
        call(stageSpentMs(now, nowMs) - overMs);
        now = leave(now, stages, nowMs, stageSpentMs(now, nowMs) - overMs, overMs, 'block');
        continue;
      }
    }
    if (stage.ruledBy === 'own') {
      call(Infinity);
      return now;
    }
    const lengthMs = stage.durationSec * 1000 + now.extraMs;
    const overMs = stageSpentMs(now, nowMs) - lengthMs;
    call(Math.min(lengthMs, stageSpentMs(now, nowMs)));
    if (overMs < 0) return now;
    now = leave(now, stages, nowMs, lengthMs, overMs, stage.offersRound ? 'round' : undefined);
  }
  return now;
}

/** Goes on to the next stage (past the block, or the rounds of it that aren't owed), which has then already run for `carriedMs`. */
function leave(
  state: ClockState,
  stages: readonly Stage[],
  nowMs: number,
  spentMs: number,
  carriedMs: number,
  past?: 'block' | 'round',
): ClockState {
  const stage = stages[state.stage]!;
  const spent = isWaiting(stage) ? {} : { [stage.block]: (state.spentByBlockMs[stage.block] ?? 0) + spentMs };
  let next = state.stage + 1;
  while (past && stages[next]?.block === stage.block && (past === 'block' || stages[next]!.optional)) next++;
  return {
    ...state,
    status: next >= stages.length ? 'finished' : state.status,
    stage: next,
    spentMs: carriedMs,
    extraMs: 0,
    anchorMs: nowMs,
    calledSec: -1,
    spentByBlockMs: { ...state.spentByBlockMs, ...spent },
    spentByStageMs: {
      ...state.spentByStageMs,
      [state.stage]: Math.max(state.spentByStageMs[state.stage] ?? 0, spentMs),
    },
  };
}
