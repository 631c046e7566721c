import type { Spare } from '../movement/spare.ts';
import { fewerOf, withFewer } from './fewer-stages.ts';
import type { ShapeChange } from './shape-change.ts';
import type { Stage, StageLine } from './stage.ts';
import { spokenStart } from './stage.ts';

/** Where it may hurt, and what is spared then; where nothing can be spared for it, the movement is left out. */
export const HURT_AREAS: readonly { readonly area: string; readonly spare: Spare | null }[] = [
  { area: 'wrist or elbow', spare: 'wrists' },
  { area: 'shoulder', spare: 'shoulders' },
  { area: 'neck', spare: 'neck' },
  { area: 'back', spare: 'back' },
  { area: 'hip', spare: null },
  { area: 'knee', spare: 'knees' },
  { area: 'ankle or foot', spare: 'ankles' },
  { area: 'somewhere else', spare: null },
];

/** A movement with its easier and harder shapes, easiest first. */
export interface ShapeLadder {
  readonly names: readonly string[];
  /** Where the movement itself stands among them. */
  readonly at: number;
  /** What stands in where an area hurts, by area; areas without one are left out. */
  readonly standIns: Readonly<Record<string, string>>;
}

/** By the name as it is written; by `block-item` where a line brings neighbours of its own. */
export type ShapeLadders = Readonly<Record<string, ShapeLadder>>;

/** The ladder of a movement in its place; undefined where nothing easier or harder is known. */
export function ladderAt(
  ladders: ShapeLadders,
  { block, item, written }: { readonly block: number; readonly item: number; readonly written: string },
): ShapeLadder | undefined {
  const own = ladders[`${block}-${item}`];
  if (own?.names[own.at] === written) return own;
  return Object.hasOwn(ladders, written) ? ladders[written] : undefined;
}

/** The option of a line that is taken at a stage; undefined where none was chosen. */
export const optionAt = (
  changes: readonly ShapeChange[],
  place: { readonly stage: number; readonly block: number; readonly item: number },
): number | undefined =>
  changes
    .flatMap((c) =>
      c.kind === 'option' && c.from <= place.stage && c.block === place.block && c.item === place.item
        ? [c.option]
        : [],
    )
    .at(-1);

/** The movement that is done in a place from a stage on: its name, or null where it is left out. `written` is its name there. */
export function shapeAt(
  changes: readonly ShapeChange[],
  ladders: ShapeLadders,
  place: { readonly stage: number; readonly block: number; readonly item: number; readonly written: string },
): string | null {
  const ladder = ladderAt(ladders, place);
  let at = ladder?.at ?? 0;
  let swapped: string | null | undefined;
  for (const change of changes) {
    if (change.from > place.stage || change.kind === 'option' || change.kind === 'fewer') continue;
    if (change.kind === 'swap') {
      if (change.movement === place.written) swapped = change.to;
    } else if (change.item === null || (change.block === place.block && change.item === place.item)) {
      at = Math.min((ladder?.names.length ?? 1) - 1, Math.max(0, at + change.by));
    }
  }
  return swapped === undefined ? (ladder?.names[at] ?? place.written) : swapped;
}

/** The stages as they are done after some changes: other names, and nothing to do where a movement is left out. Their order and number stay. */
export function applyShapes(
  stages: readonly Stage[],
  changes: readonly ShapeChange[],
  ladders: ShapeLadders,
): readonly Stage[] {
  if (changes.length === 0) return stages;
  const first = Math.min(...changes.map((c) => c.from));
  return stages.map((stage, at) => (at < first ? stage : reshape(stage, at, changes, ladders)));
}

/** A stage with the options that were chosen: their doses, sides and names. */
export function withChosen(stage: Stage, at: number, changes: readonly ShapeChange[]): Stage {
  const chosen = (item: number) => optionAt(changes, { stage: at, block: stage.block, item });
  if (stage.lines.some((line) => line.options && chosen(line.item) !== undefined)) {
    const lines = stage.lines.map((line): StageLine => {
      const option = line.options?.[chosen(line.item) ?? -1];
      const { carried: _carried, ...bare } = line;
      return option ? { ...bare, ...option } : line;
    });
    return { ...stage, lines, nextWords: lines.map((l) => l.name).join(', ') };
  }
  const option = stage.item === null ? undefined : stage.options?.[chosen(stage.item) ?? -1];
  if (!option) return stage;
  const { durationSec, ...words } = option;
  // What was said of another movement doesn't go with this one.
  const setUp = option.movement === stage.movement ? stage.setUp : null;
  return { ...stage, ...words, setUp, ...(stage.ruledBy === 'own' && { durationSec }) };
}

function reshape(written: Stage, at: number, changes: readonly ShapeChange[], ladders: ShapeLadders): Stage {
  const stage = withFewer(
    withChosen(written, at, changes),
    fewerOf(changes.filter((c) => c.from <= at))[written.block],
  );
  const shape = (item: number, written: string) =>
    shapeAt(changes, ladders, { stage: at, block: stage.block, item, written });
  if (stage.lines.length > 0) {
    const lines = stage.lines.map((line) => {
      if (line.movement === '') return line;
      const name = shape(line.item, line.movement);
      if (name === line.movement) return line;
      const { carried: _carried, names: _names, options: _options, ...bare } = line;
      return name === null ? { ...bare, figure: '', details: 'left out' } : { ...line, name };
    });
    const other = lines.flatMap((line, i) => (line === stage.lines[i] ? [] : [line.item]));
    return { ...stage, lines, nextWords: lines.map((l) => l.name).join(', '), coachCues: cuesWithout(stage, other) };
  }
  if (stage.item === null || stage.movement === '') return stage;
  const name = shape(stage.item, stage.movement);
  if (name === stage.movement) return stage;
  if (name !== null) {
    const title = stage.title.startsWith('hold ') ? `hold ${name}` : name;
    const coachCues = cuesWithout(stage, [stage.item]);
    return { ...stage, title, nextWords: spokenStart({ ...stage, title }), coachCues, setUp: null };
  }
  const isOwn = stage.ruledBy === 'own' || stage.kind !== 'work';
  return {
    ...stage,
    kind: 'rest',
    ruledBy: 'clock',
    // At one's own pace there is nothing to wait for.
    durationSec: isOwn ? 0 : stage.durationSec,
    title: `Rest: ${stage.movement} is left out`,
    nextWords: '',
    figure: '',
    details: '',
    sides: [],
    switchAtSec: [],
    holds: [],
    tempo: null,
    setUp: null,
    workCapSec: null,
    overFromSec: null,
    taps: null,
    asks: null,
    isLastRound: false,
    coachCues: cuesWithout(stage, [stage.item]),
  };
}

/** What the coach says of a movement isn't said of another one in its place. */
const cuesWithout = ({ coachCues }: Stage, items: readonly number[]): Stage['coachCues'] =>
  coachCues.filter((c) => c.item === undefined || !items.includes(c.item));

/** A shape that was chosen during a session, for the record. */
export interface ChosenShape {
  readonly block: number;
  readonly item: number;
  readonly from: string;
  /** Empty where it was left out. */
  readonly to: string;
}

/** The shapes that a session ended in, where they aren't the written ones; each item once. */
export function chosenShapes(
  stages: readonly Stage[],
  changes: readonly ShapeChange[],
  ladders: ShapeLadders,
): ChosenShape[] {
  const found = new Map<string, ChosenShape>();
  const partsOf = ({ lines, item, movement }: Stage) =>
    lines.length > 0 ? lines : item === null ? [] : [{ item, movement }];
  for (const [stage, written] of stages.entries()) {
    const { block } = written;
    const taken = partsOf(withChosen(written, stage, changes));
    for (const [i, part] of partsOf(written).entries()) {
      if (part.movement === '') continue;
      const to = shapeAt(changes, ladders, { stage, block, item: part.item, written: taken[i]!.movement });
      if (to !== part.movement)
        found.set(`${block} ${part.item}`, { block, item: part.item, from: part.movement, to: to ?? '' });
    }
  }
  return [...found.values()];
}
