import type { ClockState } from '../../../core/clock/clock.ts';
import { turnsOver } from '../../../core/clock/clock.ts';
import { fewerOf } from '../../../core/clock/fewer-stages.ts';
import { seenRounds } from '../../../core/clock/seen-rounds.ts';
import { seenScores } from '../../../core/clock/seen-scores.ts';
import { proposeOutcome, seenWork } from '../../../core/clock/seen-work.ts';
import type { ShapeLadders } from '../../../core/clock/shapes.ts';
import { chosenShapes } from '../../../core/clock/shapes.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import type { ScoredBlock } from '../../../core/record/scores/score.ts';
import { formatClock } from '../../../core/words/format-clock.ts';

export interface ClockSession {
  /** The stages as they are written, and in the shapes that were chosen. */
  readonly written: readonly Stage[];
  readonly shown: readonly Stage[];
  readonly scored: readonly ScoredBlock[];
  readonly ladders: ShapeLadders;
}

/** What the clock saw, as the log's address takes it: how long it ran, scores, share, what hurt. Empty before it was started. */
export function seenByClock(state: ClockState | null, session: ClockSession): URLSearchParams {
  const seen = new URLSearchParams();
  if (!state) return seen;
  const { written, shown, scored, ladders } = session;
  const ranMs = Object.values(state.spentByBlockMs).reduce((a, b) => a + b, 0);
  seen.set('clock', formatClock(ranMs / 1000));
  for (const [name, value] of Object.entries(seenScores(state, shown, scored))) seen.set(name, value);
  for (const [name, value] of Object.entries(seenRounds(state, shown))) seen.set(name, value);
  for (const [block, turns] of Object.entries(turnsOver(state, shown))) seen.set(`over-${block}`, String(turns));
  const work = seenWork(state, shown, written);
  const proposed = proposeOutcome(state, work);
  if (proposed) {
    seen.set('outcome', proposed.outcome);
    if (proposed.sharePct !== undefined) seen.set('share', String(proposed.sharePct));
  }
  if (state.hurts.length > 0) seen.set('body', 'hurts');
  if (state.hurts.some((h) => h.did === 'ended')) seen.set('reason', 'sore');
  const ranSec = Object.fromEntries(Object.entries(state.spentByBlockMs).map(([b, ms]) => [b, Math.round(ms / 1000)]));
  const chosen = chosenShapes(written, state.changes, ladders);
  const fewer = fewerOf(state.changes);
  seen.set(
    'seen',
    JSON.stringify({ chosen, fewer, ranSec, ...(work && { did: work.did, sharePct: proposed?.sharePct }) }),
  );
  return seen;
}
