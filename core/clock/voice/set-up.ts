import { PLACES } from '../../movement/kit.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { Movement, Position } from '../../movement/movement.ts';
import type { SetUp, Stage } from '../stage.ts';
import { SURPRISE } from '../../words/describe-item.ts';
import { hasWork } from '../stage.ts';

/**
 * The stages with what is to be set up before each: the position where it changes, kit that wasn't in use before, and how the movement is
 * done; of a movement that is made of others, its parts at its first turn. Movements that nobody knows say nothing.
 */
export function withSetUps(stages: readonly Stage[], library: MovementLibrary): Stage[] {
  const seen = new Set<string>();
  let position: Position = 'standing';
  let inUse: readonly string[] = [];
  let block = 0;
  return stages.map((stage) => {
    if (!hasWork(stage)) return stage;
    const names = stage.lines.length > 0 ? stage.lines.map((l) => l.movement) : [stage.movement];
    const movements = names.flatMap((name) => library.findByName(name) ?? []);
    const [first] = movements;
    if (!first) return stage;
    const kit = [...new Set(movements.flatMap((m) => m.kit))].filter((piece) => !PLACES.includes(piece));
    const isLone = movements.length === 1 && names.length === 1;
    const setUp: SetUp = {
      position: first.position === position ? null : first.position,
      take: kit.filter((piece) => !inUse.includes(piece)),
      doing: isLone ? first.doing : '',
      parts: isLone && !seen.has(first.id) ? partNames(first, library) : [],
    };
    for (const m of movements) seen.add(m.id);
    position = movements.at(-1)!.position;
    // Within a block a thing stays at hand, also while something is done without it.
    inUse = stage.block === block ? [...inUse, ...kit] : kit;
    block = stage.block;
    return { ...stage, setUp };
  });
}

/** Whether something in a stage is a surprise: nothing of it is shown or said before its turn. */
export const isSurprise = ({ nextWords }: Pick<Stage, 'nextWords'>): boolean =>
  nextWords.split(', ').includes(SURPRISE);

const partNames = ({ parts }: Movement, library: MovementLibrary): string[] =>
  parts.length < 2 ? [] : parts.flatMap((id) => library.find(id)?.name ?? []);

const POSITION_WORDS: Record<Position, string> = {
  standing: 'stand up',
  kneeling: 'kneel down',
  'hands-and-knees': 'on hands and knees',
  prone: 'down to the floor',
  supine: 'on your back',
  seated: 'sit down',
  hanging: 'to the bar',
};

/** `a bottle`, `an exercise ball`, `2 dumbbells`. */
const withArticle = (piece: string): string =>
  /^\d/.test(piece) ? piece : `${/^[aeiou]/.test(piece) ? 'an' : 'a'} ${piece}`;

/** `on your back`, `take 2 dumbbells`: what changes before something is done. */
export const setUpWords = ({ position, take }: SetUp): string[] => [
  ...(position === null ? [] : [POSITION_WORDS[position]]),
  ...(carried(take).length === 0 ? [] : [`take ${carried(take).map(withArticle).join(', ')}`]),
];

/** One goes to a bar; nobody takes it along. */
const carried = (take: readonly string[]): string[] => take.filter((piece) => piece !== 'bar');

/** `first squat, then bottle press`: the parts of a movement, one after the other. */
export const partsWords = ({ parts }: SetUp): string =>
  parts.length < 2 ? '' : parts.map((name, i) => `${i === 0 ? 'first' : 'then'} ${name}`).join(', ');
