import type { ShapeLadders } from '../../../core/clock/shapes.ts';
import { shapeAt } from '../../../core/clock/shapes.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import { hasWork } from '../../../core/clock/stage.ts';
import type { ShapePlace } from './clock-sheets.tsx';

/** What is done now, or was last where it rests, with the shapes that it could take from here. */
export function shapePlaces(
  stages: readonly Stage[],
  at: number,
  changes: Parameters<typeof shapeAt>[0],
  ladders: ShapeLadders,
): ShapePlace[] {
  const stage = stages.slice(0, at + 1).findLast(hasWork) ?? stages.find(hasWork);
  if (!stage) return [];
  const items =
    stage.lines.length > 0 ? stage.lines : stage.item === null ? [] : [{ item: stage.item, movement: stage.movement }];
  return items.flatMap(({ item, movement }): ShapePlace[] => {
    if (movement === '') return [];
    const name = shapeAt(changes, ladders, { stage: at, block: stage.block, item, written: movement });
    if (name === null) return [];
    const ladder = Object.hasOwn(ladders, movement) ? ladders[movement] : undefined;
    const step = ladder ? ladder.names.indexOf(name) : -1;
    return [
      {
        block: stage.block,
        item,
        movement,
        name,
        easier: step > 0 ? ladder!.names[step - 1]! : null,
        harder: step >= 0 ? (ladder!.names[step + 1] ?? null) : null,
        standIns: ladder?.standIns ?? {},
      },
    ];
  });
}
