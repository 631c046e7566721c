import type { ShapeLadders } from '../../../core/clock/shapes.ts';
import { ladderAt, optionAt, shapeAt, withChosen } from '../../../core/clock/shapes.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import { hasWork } from '../../../core/clock/stage.ts';
import type { ShapePlace } from './clock-sheets.tsx';

/** The options of a stage, or of a line of its list: dose, movement, how it is done. */
function optionWords(stage: Stage, line: number): string[] {
  const own =
    stage.lines.length > 0
      ? (stage.lines[line]?.options ?? [])
      : (stage.options ?? []).map((o) => ({ ...o, name: o.title }));
  return own.map(({ figure, name, details }) => [`${figure} ${name}`.trim(), details].filter(Boolean).join(', '));
}

/** What is done now, or was last where it rests, with the shapes that it could take from here. */
export function shapePlaces(
  stages: readonly Stage[],
  at: number,
  changes: Parameters<typeof shapeAt>[0],
  ladders: ShapeLadders,
): ShapePlace[] {
  const written = stages.slice(0, at + 1).findLast(hasWork) ?? stages.find(hasWork);
  if (!written) return [];
  const stage = withChosen(written, at, changes);
  const items = stage.lines.length > 0 ? stage.lines : stage.item === null ? [] : [{ ...stage, item: stage.item }];
  return items.flatMap(({ item, movement }, i): ShapePlace[] => {
    if (movement === '') return [];
    const place = { stage: at, block: stage.block, item, written: movement };
    const name = shapeAt(changes, ladders, place);
    if (name === null) return [];
    const ladder = ladderAt(ladders, place);
    const step = ladder ? ladder.names.indexOf(name) : -1;
    return [
      {
        block: stage.block,
        item,
        movement,
        name,
        easier: step > 0 ? ladder!.names[step - 1]! : null,
        harder: step >= 0 ? (ladder!.names[step + 1] ?? null) : null,
        options: optionWords(written, i),
        option: optionAt(changes, place) ?? null,
        standIns: ladder?.standIns ?? {},
      },
    ];
  });
}
