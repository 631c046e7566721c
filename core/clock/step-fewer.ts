import type { ClockState } from './clock.ts';
import { sameData } from '../same-data.ts';
import type { FewerFrom } from './fewer.ts';
import { fewerOf, turnOf, withFewer } from './fewer-stages.ts';
import type { ShapeChange } from './shape-change.ts';
import type { Stage } from './stage.ts';
import { hasWork } from './stage.ts';

/**
 * A step fewer (1) or more again (-1) from here on, in the block that is being done or that comes next. Null where that changes nothing:
 * no repetitions are owed in what is left of it, or they are as few, or as many, as can be. `written` are the stages before shapes were
 * changed.
 */
export function stepFewer(
  state: Pick<ClockState, 'stage' | 'changes' | 'tapsByStage'>,
  written: readonly Stage[],
  by: 1 | -1,
): Extract<ShapeChange, { kind: 'fewer' }> | null {
  const next = written.findIndex((s, i) => i >= state.stage && hasWork(s));
  const stage = written[next];
  if (!stage) return null;
  const { block, set, item } = stage;
  const turn = turnOf(stage, next === state.stage ? (state.tapsByStage[next] ?? 0) : 0);
  const at: FewerFrom = { set, turn, item: item ?? 0, by };
  const before = fewerOf(state.changes)[block] ?? [];
  const isFelt = written.some(
    (own, i) => i >= next && own.block === block && !sameData(withFewer(own, before), withFewer(own, [...before, at])),
  );
  return isFelt ? { kind: 'fewer', from: state.stage, block, at } : null;
}
