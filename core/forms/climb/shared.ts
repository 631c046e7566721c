import type { ClimbRule } from '../../document/time-rule.ts';
import type { Block } from '../../document/document.ts';

export const countAt = (rule: ClimbRule, slot: number): number => rule.start + rule.step * slot;

export const grows = (block: Block): boolean =>
  block.items.some((item) => item.kind === 'work' && (item.dose === undefined || item.dose.kind === 'given'));
