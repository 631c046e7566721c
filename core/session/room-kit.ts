import { kitKey, pieceCount, PLACES } from '../movement/kit.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { isWork } from '../words/describe-item.ts';
import { formOf } from '../forms/forms.ts';
import { resolveMovement } from '../forms/dose-parts.ts';
import type { Block, WorkItem } from '../document/document.ts';
import { asCounted } from '../document/option.ts';

export interface RoomKit {
  readonly piece: string;
  /** How many the room needs at one time. */
  readonly count: number;
}

/** People at one station when a group spreads over them: 12 at 4 are 3, 13 at 4 are up to 4. */
export const atEachStation = (groupSize: number, stations: number): number => Math.ceil(groupSize / stations);

/**
 * How many of each piece of kit a room needs at one time: at stations what each station's people use, in other forms
 * what all use at their hungriest item; a movement written with a pair of weights needs twice (docs/formulas.md 1, common
 * practice). Without a group there is no room: an empty list. Places are no kit.
 */
export function computeRoomKit(
  groupSize: number | undefined,
  blocks: readonly Block[],
  library: MovementLibrary,
): RoomKit[] {
  if (groupSize === undefined) return [];
  const most = new Map<string, number>();
  for (const block of blocks) {
    const works = block.items.filter(isWork);
    const isStations = formOf(block.time).rule.spreadsOverStations(block.time);
    const now = new Map<string, number>();
    for (const item of works) {
      const people = isStations ? atEachStation(groupSize, works.length) : groupSize;
      for (const piece of piecesOf(item, library)) {
        const key = kitKey(piece);
        const { load } = asCounted(item);
        const count = people * Math.max(load?.kind === 'weight' ? load.pieces : 1, pieceCount(piece));
        now.set(key, isStations ? (now.get(key) ?? 0) + count : Math.max(now.get(key) ?? 0, count));
      }
    }
    for (const [piece, count] of now) most.set(piece, Math.max(most.get(piece) ?? 0, count));
  }
  return [...most].map(([piece, count]) => ({ piece, count }));
}

const piecesOf = (item: WorkItem, library: MovementLibrary): string[] =>
  (resolveMovement(item, 0, library).movement?.kit ?? []).filter((piece) => !PLACES.includes(piece));
