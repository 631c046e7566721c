import type { ClockState } from '../../../core/clock/clock.ts';
import { turnsOver } from '../../../core/clock/clock.ts';
import type { ShapeChange } from '../../../core/clock/shape-change.ts';
import { fewerOf, withFewer } from '../../../core/clock/fewer-stages.ts';
import { withChosen } from '../../../core/clock/shapes.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import { hasWork } from '../../../core/clock/stage.ts';
import { stepFewer } from '../../../core/clock/step-fewer.ts';

/** Fewer repetitions from here on, or as many again: the change, and the numbers before and after it. */
export interface FewerChoice {
  readonly change: ShapeChange;
  readonly before: string;
  readonly after: string;
}

/** From so many turns on that weren't over in time, fewer repetitions are offered by themselves. */
const OFFERED_FROM_TURNS = 2;

type Followed = Pick<ClockState, 'stage' | 'changes' | 'tapsByStage' | 'overStages'>;

function choiceOf(state: Followed, written: readonly Stage[], by: 1 | -1): FewerChoice | null {
  const change = stepFewer(state, written, by);
  const at = written.findIndex((s, i) => i >= state.stage && hasWork(s));
  if (!change || at < 0) return null;
  const stage = withChosen(written[at]!, state.stage, state.changes);
  const before = fewerOf(state.changes)[stage.block] ?? [];
  const numbers = (own: Stage) => (own.lines.length > 0 ? own.lines.map((l) => l.figure).join(', ') : own.figure);
  return {
    change,
    before: numbers(withFewer(stage, before)),
    after: numbers(withFewer(stage, [...before, change.at])),
  };
}

/** What can be done about the number of repetitions just now, and whether that is proposed. */
export function fewerChoices(state: Followed, written: readonly Stage[]) {
  const block = written[state.stage]?.block ?? -1;
  const fewer = choiceOf(state, written, 1);
  const taken = state.changes.filter((c) => c.kind === 'fewer' && c.block === block).length;
  return {
    fewer,
    more: choiceOf(state, written, -1),
    isOffered: fewer !== null && taken === 0 && (turnsOver(state, written)[block] ?? 0) >= OFFERED_FROM_TURNS,
  };
}

export type FewerChoices = ReturnType<typeof fewerChoices>;
