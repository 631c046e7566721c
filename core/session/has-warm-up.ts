import type { Block } from '../document/document.ts';
import { isWork } from '../words/describe-item.ts';

/** Whether a session has something to warm up with; one of a warm-up alone, or of nothing, needs none before it. */
export const hasWarmUp = (blocks: readonly Pick<Block, 'role' | 'items'>[]): boolean => {
  const done = blocks.filter((b) => b.items.some(isWork));
  return done.length === 0 || done.some((b) => b.role === 'Warm-up') || done.every((b) => b.role === 'Cool-down');
};
