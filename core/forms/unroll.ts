import { BARE_REST_SEC, DEFAULT_TEAM } from '../limits.ts';
import { assertNever } from '../assert-never.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { EstimateSec } from '../pace/pace.ts';
import { addEstimates, CHANGE_OVER_SEC, exactly, scaleEstimate } from '../pace/pace.ts';
import type { Block, Span, WorkItem } from '../document/document.ts';
import { fillTo, intervalParts, itemEffort, ownParts, resolveMovement, restPart } from './dose-parts.ts';
import type { Part, Step } from './step.ts';

/** Parts drawn inside an open span at the most. */
const MAX_EXPECTED = 300;

/** How many rounds a block has at one's own pace or by an interval clock. */
export function roundsOf(block: Block): Span {
  if (block.rounds) return block.rounds;
  const lists = [block.count?.kind === 'list' && !block.count.cycling ? block.count.values.length : 1];
  if (block.time.kind === 'intervals') lists.push(block.time.workSec.length, block.time.restSec.length);
  if (block.time.kind === 'own') {
    for (const item of block.items) {
      if (item.kind !== 'work') continue;
      const amount =
        item.dose?.kind === 'reps' ? item.dose.amount : item.dose?.kind === 'time' ? item.dose.amountSec : undefined;
      if (amount?.kind === 'list') lists.push(amount.values.length);
    }
  }
  const rounds = Math.max(...lists);
  return { low: rounds, high: rounds };
}

/** The rounds that a plan counts with: the middle of the range, rounded up ("2 to 3" is 3). */
export const likelyRounds = (span: Span): number => Math.round((span.low + span.high) / 2);

/**
 * Turns a resolved block into its steps, one after the other, sets and rests included, with all rounds that
 * may be done. Everything else reads these steps. A block without items gives none.
 */
export function unroll(block: Block, blockIndex: number, library: MovementLibrary): Step[] {
  if (!block.items.some((item) => item.kind === 'work')) return [];
  const steps: Step[] = [];
  const sets = block.sets?.count ?? 1;
  for (let set = 1; set <= sets; set++) {
    steps.push(...unrollOnce({ block, blockIndex, set, library }));
    if (set < sets && block.sets?.restSec) {
      steps.push(restStep({ blockIndex, set }, 'set-rest', exactly(block.sets.restSec), 0));
    }
  }
  if (block.thenRestSec) steps.push(restStep({ blockIndex, set: sets }, 'then-rest', exactly(block.thenRestSec), 0));
  return steps;
}

interface Scope {
  readonly block: Block;
  readonly blockIndex: number;
  readonly set: number;
  readonly library: MovementLibrary;
}

function unrollOnce(scope: Scope): Step[] {
  const { time, count } = scope.block;
  switch (time.kind) {
    case 'flow':
    case 'own':
      return unrollOwn(scope);
    case 'span':
      return [spanStep(scope, time.sec)];
    case 'slots':
      return unrollSlots(scope, time.slotSec, time.slots, time.workCapSec);
    case 'intervals':
      return count?.kind === 'pyramid'
        ? unrollPyramid(scope, time.workSec[0]!, time.restSec[0] ?? 0)
        : unrollIntervals(scope);
    case 'windows':
      return unrollWindows(scope, time.windowSec, time.windows, time.restSec);
    default:
      return assertNever(time);
  }
}

function step(
  scope: Pick<Scope, 'blockIndex' | 'set'>,
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
    block: scope.blockIndex,
    set: scope.set,
    round,
    optional: false,
    ruledBy,
    sec,
    parts,
    items,
    ...more,
  };
}

const restStep = (
  scope: Pick<Scope, 'blockIndex' | 'set'>,
  purpose: Step['purpose'],
  sec: EstimateSec,
  round: number,
  optional = false,
): Step =>
  step(
    scope,
    purpose,
    round,
    purpose === 'change-over' || purpose === 'team-rest' ? 'own' : 'clock',
    [restPart(sec, null)],
    [],
    { optional },
  );

/** Flow and own pace, with change-over between different movements, rests between, and a relay's waiting. */
function unrollOwn(scope: Scope): Step[] {
  const { block, library } = scope;
  const span = roundsOf(block);
  const steps: Step[] = [];
  const others = block.relay ? (block.relay.teamSize ?? DEFAULT_TEAM) - 1 : 0;
  let lastMovement: string | null = null;
  for (let round = 1; round <= span.high; round++) {
    const optional = round > span.low;
    const pauses = (place: 'rounds' | 'items'): boolean => {
      if (block.between?.of !== place) return false;
      const { lowSec, highSec } = block.between;
      steps.push(
        restStep(
          scope,
          'between',
          { low: lowSec, likely: Math.round((lowSec + highSec) / 2), high: highSec },
          round,
          optional,
        ),
      );
      return true;
    };
    let roundSec = exactly(0);
    for (const [index, item] of block.items.entries()) {
      const first = round === 1 && index === 0;
      if (item.kind === 'rest') {
        steps.push(
          step(scope, 'rest', round, 'clock', [restPart(exactly(item.sec ?? BARE_REST_SEC), index, false)], [index], {
            optional,
          }),
        );
        lastMovement = null;
        continue;
      }
      const parts = ownParts(item, index, block.count, round - 1, library);
      const movementId = parts[0]!.movementId;
      const paused = !first && (index === 0 ? pauses('rounds') : pauses('items'));
      if (!paused && lastMovement !== null && lastMovement !== movementId) {
        steps.push(restStep(scope, 'change-over', CHANGE_OVER_SEC, round, optional));
      }
      const timed = parts.every((p) => !p.estimated);
      const own = step(scope, timed ? 'timed' : 'own', round, timed ? 'clock' : 'own', parts, [index], { optional });
      steps.push(own);
      roundSec = addEstimates(roundSec, own.sec);
      lastMovement = movementId;
    }
    if (others > 0) {
      steps.push(restStep(scope, 'team-rest', scaleEstimate(roundSec, others), round, optional));
      lastMovement = null;
    }
  }
  return steps;
}

const workItems = (block: Block): { item: WorkItem; index: number }[] =>
  block.items.flatMap((item, index) => (item.kind === 'work' ? [{ item, index }] : []));

/** One open span: the list over and over until the time is up. */
function spanStep(scope: Scope, sec: number): Step {
  const { block } = scope;
  const items = workItems(block);
  const only = items.length === 1 ? items[0]! : undefined;
  const part = openPart(scope, sec, items, only && !only.item.inTurn ? only : undefined);
  return step(
    scope,
    'span',
    0,
    'clock',
    [part],
    items.map((i) => i.index),
    { expected: expectedParts(scope, sec) },
  );
}

function openPart(
  scope: Scope,
  sec: number,
  items: readonly { item: WorkItem; index: number }[],
  only: { item: WorkItem; index: number } | undefined,
): Part {
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

function expectedParts(scope: Scope, sec: number): Part[] {
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

function unrollSlots(scope: Scope, slotSec: number, slots: number, workCapSec: number | undefined): Step[] {
  const { block, library } = scope;
  const steps: Step[] = [];
  for (let slot = 0; slot < slots; slot++) {
    const index = slot % block.items.length;
    const turn = Math.floor(slot / block.items.length);
    const item = block.items[index]!;
    const round = turn + 1;
    if (item.kind === 'rest') {
      steps.push(step(scope, 'rest', round, 'clock', [restPart(exactly(slotSec), index, false)], [index]));
      continue;
    }
    const parts = ownParts(item, index, block.count, turn, library);
    const clockSays =
      parts.length === 1 && (parts[0]!.kind === 'open' || (item.dose === undefined && parts[0]!.reps === null));
    const filled =
      clockSays || item.dose?.kind === 'max' || (item.dose?.kind === 'given' && parts[0]!.reps === null)
        ? fillTo(intervalParts(item, index, block.count, turn, workCapSec ?? slotSec, library), slotSec, index)
        : fillTo(parts, slotSec, index);
    steps.push(step(scope, 'slot', round, 'clock', filled, [index], workCapSec ? { workCapSec } : {}));
  }
  return steps;
}

function unrollIntervals(scope: Scope): Step[] {
  const { block, library } = scope;
  if (block.time.kind !== 'intervals') throw new TypeError('unrollIntervals needs an interval clock');
  const { workSec, restSec, total } = block.time;
  const span = roundsOf(block);
  const at = (list: readonly number[], round: number) => list[Math.min(round, list.length - 1)] ?? 0;
  const steps: Step[] = [];
  const intervals = total ?? span.high * block.items.length;
  for (let i = 0; i < intervals; i++) {
    const index = i % block.items.length;
    const turn = Math.floor(i / block.items.length);
    const round = turn + 1;
    const optional = total === undefined && round > span.low;
    const item = block.items[index]!;
    if (i > 0 && block.between && (block.between.of === 'items' ? index > 0 : index === 0)) {
      const { lowSec, highSec } = block.between;
      steps.push(
        restStep(
          scope,
          'between',
          { low: lowSec, likely: Math.round((lowSec + highSec) / 2), high: highSec },
          round,
          optional,
        ),
      );
    }
    const work = at(workSec, turn);
    const rest = at(restSec, turn);
    const parts =
      item.kind === 'rest'
        ? [restPart(exactly(work), index, false)]
        : intervalParts(item, index, block.count, turn, work, library);
    steps.push(step(scope, item.kind === 'rest' ? 'rest' : 'interval', round, 'clock', parts, [index], { optional }));
    if (rest > 0) steps.push(restStep(scope, 'rest', exactly(rest), round, optional));
  }
  return steps;
}

/** Items two by two: up in one interval, down in the next from the set one stopped in. */
function unrollPyramid(scope: Scope, workSec: number, restSec: number): Step[] {
  const items = workItems(scope.block);
  const steps: Step[] = [];
  for (let pair = 0; pair * 2 < items.length; pair++) {
    const two = items.slice(pair * 2, pair * 2 + 2);
    for (const direction of ['up', 'down'] as const) {
      const part = openPart(scope, workSec, two, two.length === 1 ? two[0] : undefined);
      steps.push(
        step(
          scope,
          'pyramid',
          pair + 1,
          'clock',
          [part],
          two.map((i) => i.index),
          { direction },
        ),
      );
      if (restSec > 0) steps.push(restStep(scope, 'rest', exactly(restSec), pair + 1));
    }
  }
  return steps;
}

/** The list from the top in every window; what time is left is open. */
function unrollWindows(scope: Scope, windowSec: number, windows: number, restSec: number): Step[] {
  const { block, library } = scope;
  const items = workItems(block);
  const steps: Step[] = [];
  for (let window = 0; window < windows; window++) {
    const parts: Part[] = [];
    let left = windowSec;
    for (const [index, item] of block.items.entries()) {
      if (left <= 0) break;
      if (item.kind === 'rest') {
        const sec = Math.min(left, item.sec ?? BARE_REST_SEC);
        parts.push(restPart(exactly(sec), index, false));
        left -= sec;
        continue;
      }
      const own = ownParts(item, index, block.count, window, library);
      if (own.some((p) => p.kind === 'open')) {
        parts.push(openPart(scope, left, [{ item, index }], { item, index }));
        left = 0;
        break;
      }
      for (const part of own) {
        const likely = Math.min(left, part.sec.likely);
        if (likely > 0) parts.push({ ...part, sec: exactly(likely) });
        left -= likely;
      }
    }
    if (left > 0) parts.push(openPart(scope, left, items, items.length === 1 ? items[0] : undefined));
    steps.push(
      step(
        scope,
        'window',
        window + 1,
        'clock',
        parts,
        block.items.map((_, i) => i),
      ),
    );
    if (restSec > 0) steps.push(restStep(scope, 'rest', exactly(restSec), window + 1));
  }
  return steps;
}
