import { nextToDo } from '../../../core/clock/voice/calls.ts';
import type { ClockState } from '../../../core/clock/clock.ts';
import { blockSpentMs, openQuestion, stageSpentMs, tapsOf, topSetOf } from '../../../core/clock/clock.ts';
import { seenScores } from '../../../core/clock/seen-scores.ts';
import type { Stage, StageLine } from '../../../core/clock/stage.ts';
import { carriedFigure, isWaiting, sideWords } from '../../../core/clock/stage.ts';
import type { ScoredBlock } from '../../../core/record/scores/score.ts';
import type { ToMatch } from '../../../core/record/scores/to-match.ts';
import { turnAt } from '../../../core/clock/turns.ts';
import { seenWords } from './clock-words.ts';

/** What the clock shows of a stage at a moment. */
export interface ClockView {
  readonly stage: Stage;
  readonly isPaused: boolean;
  readonly spentSec: number;
  /** The large figure, in whole seconds: what is left of a stage, or at one's own pace what has gone by. */
  readonly shownSec: number;
  readonly isOwn: boolean;
  /** Of the stage, and of the whole session, 0 to 1. */
  readonly doneRatio: number;
  readonly atRatio: number;
  readonly taps: number;
  /** The list, each line as it is now. */
  readonly lines: readonly StageLine[];
  /** The line of the list that a partner does now; null where each does the whole list, or nobody takes turns. */
  readonly lineNow: number | null;
  /** The number to do now; undefined where there is none. */
  readonly numberNow: string | undefined;
  /** Which side it is now; empty where there is nothing to tell apart. */
  readonly side: string;
  /** What is to be matched or beaten, and what its pace asks for next; empty where there is nothing. */
  readonly match: string;
  readonly pace: string;
  /** What the coach says now; empty where nothing is, or it stands beside the dose. */
  readonly said: string;
  /** The stage whose question is open. */
  readonly asked: number | undefined;
  readonly next: Stage | undefined;
  /** Seconds until a rest may be ended; undefined where it can't be. */
  readonly enoughInSec: number | undefined;
}

/** What is shown large because it comes next: in a rest, and while one gets ready; undefined while something is done, or asked. */
export const comingIn = ({ stage, next, asked }: Pick<ClockView, 'stage' | 'next' | 'asked'>): Stage | undefined =>
  asked === undefined && !stage.offersRound && (stage.kind === 'rest' || isWaiting(stage)) ? next : undefined;

export interface ClockPlan {
  /** In the shapes that were chosen. */
  readonly stages: readonly Stage[];
  readonly scored: readonly ScoredBlock[];
  readonly toMatch: ToMatch;
  readonly totalSec: number;
}

/** A second that is over but for this is counted as over: timers wake a little early. */
const ABOUT_TO_TURN_SEC = 0.001;

function linesNow(stage: Stage, state: ClockState, stages: readonly Stage[], taps: number): StageLine[] {
  return stage.lines.map((line) => ({
    ...line,
    name: line.names ? line.names[taps % line.names.length]! : line.name,
    figure: line.carried ? carriedFigure(line.carried, taps, topSetOf(state, stages)) : line.figure,
  }));
}

/** The number that the block asks for now: the one that is carried on, or the dose where it is a plain number. */
function numberNow(stage: Stage, lines: readonly StageLine[]): string | undefined {
  const carried = lines.find((line) => line.carried)?.figure;
  if (carried !== undefined) return carried;
  return stage.kind === 'work' && stage.figure !== '' && !stage.figure.includes(':') ? stage.figure : undefined;
}

function matchWords(stage: Stage, state: ClockState, { stages, scored, toMatch }: ClockPlan): string {
  if (isWaiting(stage) || stage.kind === 'rest') return '';
  const first = toMatch.sameAs[stage.block];
  const seen = first === undefined ? '' : seenWords(seenScores(state, stages, scored), scored, first);
  return seen || (toMatch.words[stage.block] ?? '');
}

/** The coach's words that were said last in a stage, where they don't stand beside its dose. */
const saidNow = ({ coachCues, details }: Stage, spentSec: number): string =>
  coachCues.findLast((c) => c.atSec <= spentSec && !details.toLowerCase().includes(c.words.toLowerCase()))?.words ?? '';

/** What there is to see at a moment; undefined where the session is over. */
export function clockView(state: ClockState, now: number, plan: ClockPlan): ClockView | undefined {
  const { stages, scored, totalSec } = plan;
  const stage = stages[state.stage];
  if (state.status === 'finished' || !stage) return undefined;
  const spentSec = stageSpentMs(state, now) / 1000;
  const isOwn = stage.ruledBy === 'own';
  const lengthSec = stage.durationSec + state.extraMs / 1000;
  const taps = tapsOf(state);
  const lines = linesNow(stage, state, stages, taps);
  const isBlockTimed = stage.capSec !== null || scored.some((s) => s.block === stage.block && s.kind === 'time');
  const ownSec = isBlockTimed ? blockSpentMs(state, stages, now) / 1000 : spentSec;
  const doneRatio = Math.min(1, spentSec / Math.max(1, lengthSec));
  const atSec = stage.timelineStartSec + (stage.timelineEndSec - stage.timelineStartSec) * doneRatio;
  return {
    stage,
    isPaused: state.status === 'paused',
    spentSec,
    shownSec: isOwn ? Math.floor(ownSec) : Math.max(0, Math.ceil(lengthSec - spentSec - ABOUT_TO_TURN_SEC)),
    isOwn,
    doneRatio,
    atRatio: totalSec === 0 ? 0 : Math.min(1, atSec / totalSec),
    taps,
    lines,
    lineNow: turnAt(stage, taps)?.line ?? null,
    numberNow: numberNow(stage, lines),
    side: stage.kind === 'work' ? sideWords(stage, spentSec) : '',
    match: matchWords(stage, state, plan),
    pace: stage.paceMarks.find((m) => m.atSec > spentSec)?.words ?? '',
    said: saidNow(stage, spentSec),
    asked: openQuestion(state, stages),
    next: nextToDo(stages, state.stage),
    enoughInSec: stage.enoughFromSec === null ? undefined : Math.max(0, stage.enoughFromSec - spentSec),
  };
}
