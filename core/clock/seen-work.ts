import type { ClockState } from './clock.ts';
import type { Stage } from './stage.ts';

/** What the clock saw of a session's work. */
export interface SeenWork {
  /** Of the work that was planned, 0 to 1, by its likely time. */
  readonly shareRatio: number;
  /** Of each item, by `block-item`, or of a block whose list is done at will, by `block`: only where it is less than all. */
  readonly did: Readonly<Record<string, number>>;
}

/** Work at one's own pace that took at least this much of its likely time was done, and quickly; with less it was passed by. */
const QUICKEST = 0.25;
/** A hand is on the button before the last second: so much of a turn is all of it. */
const AS_GOOD_AS_ALL = 0.95;
const PLACES = 100;

/**
 * How much of the work was done, as the clock saw it: turns that were skipped count by the time that ran in them, what was left out
 * not at all, and what a block's end or cap cut off isn't owed. `written` are the stages before shapes were changed, `stages` as they
 * were done. Undefined where no stage was timed.
 */
export function seenWork(state: ClockState, stages: readonly Stage[], written: readonly Stage[]): SeenWork | undefined {
  const sums = new Map<string, { plannedSec: number; doneSec: number }>();
  const hasTimes = state.stage === 0 || Object.keys(state.spentByStageMs).length > 0;
  for (const [at, stage] of written.entries()) {
    const spentMs = at === state.stage ? state.spentMs : state.spentByStageMs[at];
    if ((stage.kind !== 'work' && stage.kind !== 'span') || stage.durationSec === 0) continue;
    if (spentMs === undefined && isCutOff(state, written, at)) continue;
    const isLeftOut = stages[at]!.kind === 'rest';
    const isEnded = state.endedStages.includes(at);
    const ratio = isLeftOut ? 0 : isEnded ? 1 : doneRatio(stage, (spentMs ?? 0) / 1000);
    // A round more than was asked for is owed by nobody.
    if (stage.optional && ratio < 1) continue;
    const key = stage.item === null ? String(stage.block) : `${stage.block}-${stage.item}`;
    const sum = sums.get(key) ?? { plannedSec: 0, doneSec: 0 };
    sum.plannedSec += stage.durationSec;
    sum.doneSec += stage.durationSec * ratio;
    sums.set(key, sum);
  }
  const plannedSec = [...sums.values()].reduce((n, s) => n + s.plannedSec, 0);
  if (!hasTimes || plannedSec === 0) return undefined;
  const doneSec = [...sums.values()].reduce((n, s) => n + s.doneSec, 0);
  return {
    shareRatio: round(doneSec / plannedSec),
    did: Object.fromEntries(
      [...sums].map(([key, s]) => [key, round(s.doneSec / s.plannedSec)] as const).filter(([, ratio]) => ratio < 1),
    ),
  };
}

const round = (ratio: number): number => Math.round(ratio * PLACES) / PLACES;

function doneRatio({ ruledBy, durationSec }: Stage, spentSec: number): number {
  const ratio = spentSec / (ruledBy === 'own' ? durationSec * QUICKEST : durationSec);
  return ratio >= AS_GOOD_AS_ALL ? 1 : Math.max(0, ratio);
}

/** Whether a block was over, by the participant's word or by its cap, before one of its stages came. */
function isCutOff(state: ClockState, stages: readonly Stage[], at: number): boolean {
  const { block, capSec } = stages[at]!;
  if (state.endedStages.some((ended) => ended < at && stages[ended]!.block === block)) return true;
  return capSec !== null && (state.spentByBlockMs[block] ?? 0) >= capSec * 1000;
}

/** From this share of the work on a session that was followed to its end is proposed as done. */
const DONE_FROM = 0.9;
const [LEAST_PCT, MOST_PCT] = [1, 99];

/** What the log proposes of a session: undefined where nothing speaks against "done". What was counted was done, however short. */
export function proposeOutcome(
  { status, tapsByStage, answersByStage }: Pick<ClockState, 'status' | 'tapsByStage' | 'answersByStage'>,
  work: SeenWork | undefined,
): { readonly outcome: 'part' | 'not-done'; readonly sharePct?: number } | undefined {
  if (!work) return status === 'finished' ? undefined : { outcome: 'part' };
  if (status === 'finished' && work.shareRatio >= DONE_FROM) return undefined;
  const hasCounted = [...Object.values(tapsByStage), ...Object.values(answersByStage)].some((n) => n > 0);
  if (work.shareRatio === 0 && !hasCounted) return { outcome: 'not-done' };
  return { outcome: 'part', sharePct: Math.min(MOST_PCT, Math.max(LEAST_PCT, Math.round(work.shareRatio * 100))) };
}
