import type { Target } from '../../record/scores/targets.ts';
import type { Stage } from '../stage.ts';
import { hasWork } from '../stage.ts';

/** The stages with marks of pace for what is aimed at: in blocks that are one stretch of work. */
export function withPaceMarks(stages: readonly Stage[], targets: Readonly<Record<number, Target>>): Stage[] {
  return stages.map((stage) => {
    const pace = targets[stage.block]?.pace ?? [];
    const isOnly = hasWork(stage) && stages.filter((s) => s.block === stage.block && hasWork(s)).length === 1;
    return pace.length > 0 && isOnly ? { ...stage, paceMarks: pace } : stage;
  });
}
