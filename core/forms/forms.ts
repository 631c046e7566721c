import type { Block, TimeRule } from '../document/document.ts';
import { exactly } from '../pace/pace.ts';
import type { ScoreForm, ScoreKind, Shape, Scope, Slot, StageWords, TimeForm } from './form.ts';
import type { Step } from './step.ts';
import { restStep } from './steps.ts';
import { accumulate } from './accumulate/accumulate.ts';
import { climb } from './climb/climb.ts';
import { flow } from './flow/flow.ts';
import { intervals } from './intervals/intervals.ts';
import { own } from './own/own.ts';
import { pyramid } from './pyramid/pyramid.ts';
import { slots } from './slots/slots.ts';
import { span } from './span/span.ts';
import { windows } from './windows/windows.ts';
import type { MovementLibrary } from '../movement/library.ts';

/** Every rule of time with its form; one that is missing here doesn't compile. In the order in which a coach picks from them. */
const FORMS: { readonly [K in TimeRule['kind']]: TimeForm<Extract<TimeRule, { kind: K }>> } = {
  flow,
  own,
  span,
  slots,
  intervals,
  windows,
  pyramid,
  climb,
  accumulate,
};

export const TIME_FORMS: readonly TimeForm[] = Object.values(FORMS);

/** The form of a rule: what all other parts of the application ask. */
export const formOf = (time: TimeRule): TimeForm => FORMS[time.kind];

/**
 * Turns a resolved block into its steps, one after the other, sets and rests included, with all rounds that
 * may be done. Everything else reads these steps. A block without items gives none.
 */
export function unroll(block: Block, blockIndex: number, library: MovementLibrary): Step[] {
  if (!block.items.some((item) => item.kind === 'work')) return [];
  const steps: Step[] = [];
  const sets = block.sets?.count ?? 1;
  const form = formOf(block.time);
  for (let set = 1; set <= sets; set++) {
    const scope: Scope = { block, blockIndex, set, library };
    for (const step of form.steps.unroll(block.time, scope)) steps.push(step);
    if (set < sets && block.sets?.restSec)
      steps.push(restStep({ blockIndex, set }, 'set-rest', exactly(block.sets.restSec), 0));
  }
  if (block.thenRestSec) steps.push(restStep({ blockIndex, set: sets }, 'then-rest', exactly(block.thenRestSec), 0));
  return steps;
}

/** The latest end of each set of a block; undefined where nothing ends it early. */
export const capSecOf = (block: Block): number | undefined => formOf(block.time).rule.capSec(block.time);

/** The slot that each item of a block has; null for forms without. */
export const slotOf = (block: Block): Slot | null => formOf(block.time).rule.slot(block.time);

/** What a block is scored by: what is asked for, or null. A warm-up or cool-down isn't asked unless the coach wrote so. */
export function scoreOf(block: Block): ScoreForm | null {
  const form = formOf(block.time);
  if (!block.items.some((item) => item.kind === 'work')) return null;
  const natural = form.rule.score(block.time, block);
  if (block.scored) return natural ?? form.rule.askedScore(block.time, block);
  return block.role === 'Warm-up' || block.role === 'Cool-down' ? null : natural;
}

export const scoreKind = (block: Block): ScoreKind => scoreOf(block)?.kind ?? 'none';

/** What is shown while a step of a block runs, beside its items. */
export const stageWordsOf = (block: Block, step: Step): StageWords =>
  formOf(block.time).words.stage(block.time, step, block);

/** All shapes that a block can be picked as. */
export const SHAPES: readonly Shape[] = TIME_FORMS.flatMap((f) => f.notation.shapes);

/** The shape of a block. */
export const shapeOf = (block: Block): Shape => {
  const id = formOf(block.time).notation.shapeOf(block.time, block);
  return SHAPES.find((s) => s.id === id)!;
};
