import type { Block, Load, WorkItem } from '../../document/document.ts';
import { asCounted } from '../../document/option.ts';
import type { SessionPlan } from '../../session/plan.ts';
import type { Scale } from '../../movement/scale.ts';
import { findStep } from '../../movement/scale.ts';
import { isWork } from '../../words/describe-item.ts';

/** A field for the weight that was used for an item. */
export interface LoadField {
  /** Of the form. */
  readonly name: string;
  readonly block: number;
  readonly item: number;
  readonly movement: string;
  /** As written, in kilograms of one piece; null where only a share or an effort was. */
  readonly writtenKg: number | null;
  /** The steps to choose from and the one that is written, where a scale says how hard it is; null where a weight does. */
  readonly scale: { readonly steps: readonly string[]; readonly written: string } | null;
  /** What is asked of each set, and of the form the field for what the last one had; null where no number is written. */
  readonly goal: LoadGoal | null;
  readonly lastName: string;
}

/** Repetitions asked of a set: a number, or a range of them. */
export interface LoadGoal {
  readonly low: number;
  readonly high: number;
}

function goalOf({ dose }: WorkItem): LoadGoal | null {
  if (dose?.kind !== 'reps') return null;
  const { amount } = dose;
  if (amount.kind === 'fixed') return { low: amount.value, high: amount.value };
  return amount.kind === 'range' ? { low: amount.low, high: amount.high } : null;
}

/** The weight of one piece; of weights by round the heaviest, which is the one that is written down. */
const heaviestKg = ({ kg, laterKg = [] }: Extract<Load, { kind: 'weight' }>): number => Math.max(kg, ...laterKg);

/** The items of a session that are done with a weight or a step of a scale, as it is written. A step that is on no scale stands alone. */
export const loadFields = (blocks: readonly Block[], scales: readonly Scale[]): LoadField[] =>
  blocks.flatMap((b, block) =>
    b.items.flatMap((item, i): LoadField[] => {
      const load = isWork(item) ? asCounted(item).load : undefined;
      return isWork(item) && load
        ? [
            {
              name: `load-${block}-${i}`,
              block,
              item: i,
              movement: item.choices[0]!.name,
              writtenKg: load.kind === 'weight' ? heaviestKg(load) : null,
              scale:
                load.kind === 'step'
                  ? { steps: findStep(scales, load.step)?.scale.steps ?? [load.step], written: load.step }
                  : null,
              goal: goalOf(item),
              lastName: `last-${block}-${i}`,
            },
          ]
        : [];
    }),
  );

/** Sets that can be told one by one. */
const MOST_SETS = 20;

/** Repetitions set by set, parted by anything that isn't a digit (`12 12 11`), or of the last set alone; undefined where it is neither. */
export function readSets(text: string): readonly number[] | undefined {
  const parts = text.split(/[\s,.;/+-]+/).filter((p) => p !== '');
  return parts.length > 0 && parts.length <= MOST_SETS && parts.every((p) => /^\d{1,3}$/.test(p))
    ? parts.map(Number)
    : undefined;
}

/** How often an item of a block comes, all rounds and sets together: its sets. */
export const setsOf = ({ timeline }: Pick<SessionPlan, 'timeline'>, block: number, item: number): number =>
  timeline.filter((s) => s.block === block && s.item === item && s.kind !== 'rest').length;
