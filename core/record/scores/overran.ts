import type { Block } from '../../document/document.ts';
import { slotOf } from '../../forms/forms.ts';
import type { SessionPlan } from '../../session/plan.ts';
import { blockName } from '../../session/explain/explain.ts';
import { scoreKind } from '../../forms/forms.ts';

/** A field for the turns of a block whose work wasn't over when the next began. */
export interface OverranField {
  /** Of the form. */
  readonly name: string;
  readonly block: number;
  readonly label: string;
  readonly turns: number;
}

/** The blocks of a session that run by a clock of turns, each long enough for its work; where a score says it already, none. */
export const overranFields = (blocks: readonly Block[], plan: SessionPlan): OverranField[] =>
  blocks.flatMap((b, block): OverranField[] => {
    const slot = slotOf(b);
    if (!slot || scoreKind(b) === 'whole-slots') return [];
    const { sets } = plan.blocks[block]!;
    return [{ name: `over-${block}`, block, label: blockName(b), turns: slot.slots * sets }];
  });

/** The share of turns that ran over in each block where somebody said so; 0 is said too. */
export const overranShare = (
  overran: Readonly<Record<number, number>> | undefined,
  { block, turns }: Pick<OverranField, 'block' | 'turns'>,
): number | undefined =>
  overran?.[block] === undefined ? undefined : Math.min(1, overran[block] / Math.max(1, turns));
