import type { Block, Item, SessionDocument } from '../document/document.ts';
import { hasOptions } from '../document/option.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { takenOption } from '../movement/taken-option.ts';
import { computePlan } from '../session/plan.ts';
import { isWork } from '../words/describe-item.ts';
import { buildStages } from './build-stages.ts';
import type { LineOption, Stage, StageOption } from './stage.ts';

/** Every line that leaves a choice with its option of this number, or its last where it has fewer. */
const blocksWithOption = (blocks: readonly Block[], option: number, library: MovementLibrary): Block[] =>
  blocks.map((block) => ({
    ...block,
    items: block.items.map((item): Item =>
      isWork(item) && hasOptions(item) ? takenOption(item, Math.min(option, item.choices.length - 1), library) : item,
    ),
  }));

const toOption = ({
  movement,
  title,
  nextWords,
  figure,
  reps,
  details,
  sides,
  switchAtSec,
  tempo,
  durationSec,
}: Stage): StageOption => ({
  movement,
  title,
  nextWords,
  figure,
  reps,
  details,
  sides,
  switchAtSec,
  tempo,
  durationSec,
});

const toLineOption = ({ movement, figure, reps, name, details, carried }: Stage['lines'][number]): LineOption => ({
  movement,
  figure,
  name,
  details,
  ...(reps && { reps }),
  ...(carried && { carried }),
});

/** Whether a stage is of the same work in both: another option may take another number of steps, or turns. */
const isAlike = (built: readonly Stage[], stages: readonly Stage[], at: number): boolean =>
  built.length === stages.length &&
  built[at]!.kind === stages[at]!.kind &&
  built[at]!.block === stages[at]!.block &&
  built[at]!.item === stages[at]!.item &&
  built[at]!.lines.length === stages[at]!.lines.length;

/**
 * The stages of a session with what each is when an option of its line is chosen: planned like a session that says only this option.
 * `blocks` are resolved. Stages whose options take another number of steps (a hold on each side beside a plain count) offer none.
 */
export function withStageOptions(
  stages: readonly Stage[],
  document: SessionDocument,
  blocks: readonly Block[],
  library: MovementLibrary,
): Stage[] {
  const most = Math.max(
    0,
    ...blocks.flatMap((b) => b.items.map((item) => (isWork(item) && hasOptions(item) ? item.choices.length : 0))),
  );
  const built = Array.from({ length: most }, (_, option) => {
    const own = blocksWithOption(blocks, option, library);
    return buildStages(computePlan({ ...document, blocks: own }, library), own);
  });
  return stages.map((stage, at) => {
    const optionsOf = (item: number) => {
      const own = blocks[stage.block]!.items[item];
      return own && isWork(own) && hasOptions(own) ? own.choices.length : 0;
    };
    const same = built.flatMap((own) => (isAlike(own, stages, at) ? [own[at]!] : []));
    if (same.length < built.length || stage.kind === 'rest') return stage;
    const count = stage.item === null ? 0 : optionsOf(stage.item);
    return {
      ...stage,
      ...(count > 0 && stage.movement !== '' && { options: same.slice(0, count).map(toOption) }),
      lines: stage.lines.map((line, i) => {
        const own = optionsOf(line.item);
        return own === 0 ? line : { ...line, options: same.slice(0, own).map((s) => toLineOption(s.lines[i]!)) };
      }),
    };
  });
}
