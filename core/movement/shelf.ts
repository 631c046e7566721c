import type { Grade, Joint, Movement, Pattern } from './movement.ts';
import { JOINTS, movementId, PATTERNS, POSITIONS } from './movement.ts';

/**
 * A movement as it is shipped, made from the review form by `npm run library` and checked there: name | other names | pattern and
 * position by number | flags | kit | effort class | seconds quick/likely/careful | grades of the joints, impact, noise | set-up |
 * doing | watch for | ids of parts. Flags: hold, 1 one side at a time, overhead, floor, prepares wrists, pace seen.
 */
export type ShelfRow = readonly [
  name: string,
  otherNames: string,
  pattern: number,
  position: number,
  flags: string,
  kit: string,
  effort: number,
  pace: string,
  grades: string,
  setUp: string,
  doing: string,
  watchFor: string,
  parts: string,
];

/** What is said of any movement by its demands: place (a joint or impact), from which grade, the words. */
export type CautionRow = readonly [place: string, from: number, words: string];

const list = (cell: string) => (cell === '' ? [] : cell.split(';'));

/** The movement of a row. */
export function toMovement(
  row: ShelfRow,
  cautions: readonly CautionRow[],
  breathing: Readonly<Record<string, string>>,
): Movement {
  const [name, others, pattern, position, flags, kit, effort, pace, grades, setUp, doing, watchFor, parts] = row;
  const [low, likely, high] = pace.split('/').map(Number) as [number, number, number];
  const demand = Object.fromEntries(
    JOINTS.map((joint, i) => [joint, Number(grades[i]) as Grade]),
  ) as Movement['demand'];
  const impact = Number(grades[8]) as Grade;
  return {
    id: movementId(name),
    name,
    otherNames: list(others),
    pattern: PATTERNS[pattern]!,
    position: POSITIONS[position]!,
    isHold: flags.includes('h'),
    isOneSided: flags.includes('1'),
    isOverhead: flags.includes('o'),
    isOnFloor: flags.includes('f'),
    preparesWrists: flags.includes('p'),
    demand,
    impact,
    noise: Number(grades[9]) as Grade,
    parts: list(parts),
    kit: list(kit),
    effortClass: effort as Movement['effortClass'],
    paceSec: { low, likely, high },
    paceSource: flags.includes('s')
      ? 'seen in trained followers (common practice, no source)'
      : 'common practice, no source',
    setUp,
    doing,
    watchFor,
    breathing: breathing[PATTERNS[pattern]!]!,
    cautions: cautionsOf(demand, impact, cautions),
    film: '',
    drawing: '',
  };
}

/** What someone with a sore place hears of a movement that asks so much (common practice, no source). */
export const cautionsOf = (demand: Movement['demand'], impact: Grade, cautions: readonly CautionRow[]): string[] =>
  cautions
    .filter(([place, from]) => (place === 'impact' ? impact : demand[place as Joint]) >= from)
    .map(([, , words]) => words);

/** A shelf in its shipped form, from which the library is built. */
export interface ShippedShelf {
  readonly rows: readonly ShelfRow[];
  readonly cautions: readonly CautionRow[];
  readonly breathing: Readonly<Record<Pattern, string>>;
}
