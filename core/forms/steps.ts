import type { Block, WorkItem } from '../document/document.ts';
import { BARE_REST_SEC } from '../limits.ts';
import type { EstimateSec } from '../pace/pace.ts';
import { addEstimates, exactly } from '../pace/pace.ts';
import { itemEffort, ownParts, resolveMovement, restPart } from './dose-parts.ts';
import type { Scope } from './form.ts';
import type { Part, Step } from './step.ts';

/** Parts drawn inside an open span at the most. */
const MAX_EXPECTED = 300;

type Place = Pick<Scope, 'blockIndex' | 'set'>;

/** A step out of its parts. */
export function makeStep(
  place: Place,
  purpose: Step['purpose'],
  round: number,
  ruledBy: Step['ruledBy'],
  parts: readonly Part[],
  items: readonly number[],
  more: Partial<Step> = {},
): Step {
  const sec = parts.length === 1 ? parts[0]!.sec : parts.map((p) => p.sec).reduce(addEstimates, exactly(0));
  return {
    purpose,
    block: place.blockIndex,
    set: place.set,
    round,
    optional: false,
    ruledBy,
    sec,
    parts,
    items,
    ...more,
  };
}

/** A step of rest that no line of the block stands for. */
export const restStep = (
  place: Place,
  purpose: Step['purpose'],
  sec: EstimateSec,
  round: number,
  optional = false,
): Step =>
  makeStep(
    place,
    purpose,
    round,
    purpose === 'change-over' || purpose === 'team-rest' ? 'own' : 'clock',
    [restPart(sec, null)],
    [],
    { optional },
  );

/** The rest between rounds or items that the header says; undefined where it says none for this place. */
export function betweenStep(
  scope: Scope,
  place: 'rounds' | 'items',
  round: number,
  optional: boolean,
): Step | undefined {
  const { between } = scope.block;
  if (between?.of !== place) return undefined;
  const { lowSec, highSec } = between;
  const sec = { low: lowSec, likely: Math.round((lowSec + highSec) / 2), high: highSec };
  return restStep(scope, 'between', sec, round, optional);
}

export interface PlacedItem {
  readonly item: WorkItem;
  readonly index: number;
}

export const workItems = (block: Block): PlacedItem[] =>
  block.items.flatMap((item, index) => (item.kind === 'work' ? [{ item, index }] : []));

/** Time that is filled from some items; `only` where it is one movement's. */
export function openPart(scope: Scope, sec: number, items: readonly PlacedItem[], only: PlacedItem | undefined): Part {
  const efforts = items.map(({ item }) => itemEffort(item, resolveMovement(item, 0, scope.library).movement));
  const movement = only && resolveMovement(only.item, 0, scope.library);
  return {
    kind: 'open',
    sec: exactly(sec),
    estimated: true,
    item: only?.index ?? null,
    movementId: movement?.id ?? null,
    name: movement?.name ?? null,
    side: null,
    reps: null,
    effort: efforts.reduce((a, b) => a + b, 0) / Math.max(1, efforts.length),
  };
}

/** What is likely to happen in so many seconds of the list over and over, for the picture. */
export function expectedParts(scope: Scope, sec: number): Part[] {
  const { block, library } = scope;
  const parts: Part[] = [];
  let left = sec;
  for (let round = 0; left > 0 && parts.length < MAX_EXPECTED; round++) {
    for (const [index, item] of block.items.entries()) {
      const turn =
        item.kind === 'rest'
          ? [restPart(exactly(item.sec ?? BARE_REST_SEC), index, false)]
          : ownParts(item, index, block.count, round, library);
      for (const part of turn) {
        if (left <= 0) break;
        const likely = Math.min(left, part.sec.likely);
        parts.push({ ...part, sec: exactly(likely), estimated: true });
        left -= likely;
      }
    }
  }
  return parts;
}

/** By round; the last value serves all rounds behind it. */
export const atRound = (list: readonly number[], round: number): number => list[Math.min(round, list.length - 1)] ?? 0;
