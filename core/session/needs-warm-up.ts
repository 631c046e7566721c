import type { Block } from '../document/document.ts';
import { isWork } from '../words/describe-item.ts';
import type { SessionPlan } from './plan.ts';

/** From this planned effort on, 0 to 1, one should be warm (common practice, no source). */
const WARM_FROM_EFFORT = 0.6;

/** Whether a session goes to work without anything to warm up with: gentle ones need nothing before them. */
export const needsWarmUp = (plan: SessionPlan, blocks: readonly Pick<Block, 'role' | 'items'>[]): boolean =>
  !blocks.some((b) => b.role === 'Warm-up' && b.items.some(isWork)) &&
  plan.timeline.some((s) => s.effort >= WARM_FROM_EFFORT);
