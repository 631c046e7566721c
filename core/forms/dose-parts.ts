import type { MovementLibrary } from '../movement/library.ts';
import type { Movement } from '../movement/movement.ts';
import { movementId } from '../movement/movement.ts';
import type { EstimateSec } from '../pace/pace.ts';
import {
  computeRepSec,
  DEFAULT_PACE_SEC,
  exactly,
  MAX_EFFORT_SEC,
  METRES_PER_SEC,
  scaleEstimate,
  SEC_PER_KCAL,
} from '../pace/pace.ts';
import type { Amount, CountRule, Dose, Sides, WorkItem } from '../document/document.ts';
import { asCounted } from '../document/option.ts';
import { countAt } from './count.ts';
import type { Part } from './step.ts';

/** Repetitions assumed, for the time only, where a line owes no number ("by count instead of 30 s: at least 10", common practice). */
const UNNUMBERED_REPS = 10;

export interface Resolved {
  readonly id: string;
  readonly name: string;
  readonly movement: Movement | undefined;
}

/** The movement that this item's turn is about, counted from 0. */
export function resolveMovement(item: WorkItem, turn: number, library: MovementLibrary): Resolved {
  const choice = item.inTurn ? item.choices[turn % item.choices.length]! : item.choices[0]!;
  const movement = library.findByName(choice.name);
  // What was read from its words goes by the words that the coach wrote.
  const name = movement && library.findOnShelf(movement.id) ? movement.name : choice.name;
  return { id: movement?.id ?? movementId(choice.name), name, movement };
}

/** The number on this turn: low, likely and high. Lists hold their last value. */
export function amountAt(amount: Amount, turn: number): EstimateSec {
  switch (amount.kind) {
    case 'fixed':
      return exactly(amount.value);
    case 'range':
      return { low: amount.low, likely: Math.round((amount.low + amount.high) / 2), high: amount.high };
    case 'list':
      return exactly(amount.values[Math.min(turn, amount.values.length - 1)]!);
    case 'growing':
      return exactly(amount.start + amount.step * turn);
  }
}

/** The dose on this turn after the header's list: undefined where only the clock, or the participant, can say. */
function numberedDose(
  item: WorkItem,
  count: CountRule | undefined,
  turn: number,
): { amount: EstimateSec; kind: 'reps' | 'time'; sides?: Sides } | undefined {
  const { dose } = item;
  if (dose?.kind === 'reps')
    return { amount: amountAt(dose.amount, turn), kind: 'reps', ...(dose.sides && { sides: dose.sides }) };
  if (dose?.kind === 'time')
    return { amount: amountAt(dose.amountSec, turn), kind: 'time', ...(dose.sides && { sides: dose.sides }) };
  if (dose === undefined || dose.kind === 'given') {
    const listed = countAt(count, turn);
    if (listed !== undefined) return { amount: exactly(listed), kind: 'reps', ...(dose && { sides: dose.sides }) };
  }
  return undefined;
}

const whole = (sec: EstimateSec): EstimateSec => ({
  low: Math.max(1, Math.round(sec.low)),
  likely: Math.max(1, Math.round(sec.likely)),
  high: Math.max(1, Math.round(sec.high)),
});

/** Planned effort of an item, 0 to 1; a load "@ effort 7" says it outright. */
export function itemEffort(item: WorkItem, movement: Movement | undefined): number {
  const { load } = asCounted(item);
  if (load?.kind === 'effort') return load.effort / 10;
  return (movement?.effortClass ?? 3) / 5;
}

type Base = Pick<Part, 'item' | 'movementId' | 'name' | 'effort'>;

/**
 * What one turn of an item takes when nothing but its own dose rules it: a part a side, and the hold after it.
 * Times are whole seconds. An item without any number gets an open part.
 */
export function ownParts(
  line: WorkItem,
  itemIndex: number,
  count: CountRule | undefined,
  turn: number,
  library: MovementLibrary,
): Part[] {
  const item = asCounted(line);
  const { id, name, movement } = resolveMovement(item, turn, library);
  const base: Base = { item: itemIndex, movementId: id, name, effort: itemEffort(item, movement) };
  const dose = numberedDose(item, count, turn);
  if (!dose) return [openPart(item, base, movement)];
  const turnOf: Turn = {
    base,
    item,
    doseKind: dose.kind,
    kind: dose.kind === 'time' && (movement?.isHold ?? false) ? 'hold' : 'work',
    repSec: computeRepSec(movement, item.tempo, item.pauseSec, item.speed),
  };
  const parts: Part[] = [];
  if (dose.sides === 'each') {
    pushParts(parts, turnOf, dose.amount, 'left', 1);
    pushParts(parts, turnOf, dose.amount, 'right', 1);
  } else if (dose.sides === 'pairs') pushParts(parts, turnOf, dose.amount, null, 2);
  else if (item.halfEachSide) {
    const [first, second] = halves(dose.amount);
    pushParts(parts, turnOf, first, 'left', 1);
    if (second.likely > 0) pushParts(parts, turnOf, second, 'right', 1);
  } else pushParts(parts, turnOf, dose.amount, item.side ?? null, 1);
  return parts;
}

interface Turn {
  readonly base: Base;
  readonly item: WorkItem;
  readonly doseKind: 'reps' | 'time';
  readonly kind: 'hold' | 'work';
  readonly repSec: EstimateSec;
}

/** The work of one side, and the hold after it. */
function pushParts(
  parts: Part[],
  { base, item, doseKind, kind, repSec }: Turn,
  amount: EstimateSec,
  side: Part['side'],
  times: number,
): void {
  const sec =
    doseKind === 'time'
      ? whole(amount)
      : whole({
          low: amount.low * times * repSec.low,
          likely: amount.likely * times * repSec.likely,
          high: amount.high * times * repSec.high,
        });
  parts.push({
    kind,
    sec,
    estimated: doseKind === 'reps' || sec.low !== sec.high,
    item: base.item,
    movementId: base.movementId,
    name: base.name,
    side,
    reps: doseKind === 'reps' ? amount.likely * times : null,
    effort: base.effort,
  });
  const holdSec = item.thenHold === 'by-count' ? (doseKind === 'reps' ? amount.likely : undefined) : item.thenHold;
  if (holdSec) parts.push({ ...base, kind: 'hold', sec: exactly(holdSec), estimated: false, side, reps: null });
}

/** The first side takes the odd one: 13 is 7 + 6. */
function halves(amount: EstimateSec): [EstimateSec, EstimateSec] {
  return [
    { low: Math.ceil(amount.low / 2), likely: Math.ceil(amount.likely / 2), high: Math.ceil(amount.high / 2) },
    { low: Math.floor(amount.low / 2), likely: Math.floor(amount.likely / 2), high: Math.floor(amount.high / 2) },
  ];
}

function openPart(item: WorkItem, base: Base, movement: Movement | undefined): Part {
  const sec = openSec(item.dose, item, movement);
  const kind =
    item.dose?.kind === 'max'
      ? 'open'
      : movement?.isHold
        ? 'hold'
        : item.dose?.kind === 'distance' || item.dose?.kind === 'energy'
          ? 'work'
          : 'open';
  return { ...base, kind, sec: whole(sec), estimated: true, side: item.side ?? null, reps: null };
}

function openSec(dose: Dose | undefined, item: WorkItem, movement: Movement | undefined): EstimateSec {
  const sides = dose && 'sides' in dose && (dose.sides === 'each' || dose.sides === 'pairs') ? 2 : 1;
  switch (dose?.kind) {
    case 'distance':
      return {
        low: (sides * dose.metres) / METRES_PER_SEC.low,
        likely: (sides * dose.metres) / METRES_PER_SEC.likely,
        high: (sides * dose.metres) / METRES_PER_SEC.high,
      };
    case 'energy':
      return scaleEstimate(SEC_PER_KCAL, dose.kcal);
    case 'max':
      return scaleEstimate(MAX_EFFORT_SEC, sides);
    default: {
      if (movement?.isHold) return scaleEstimate(movement.paceSec, sides);
      const rep = movement ? computeRepSec(movement, item.tempo, item.pauseSec, item.speed) : DEFAULT_PACE_SEC;
      return scaleEstimate(rep, UNNUMBERED_REPS * sides);
    }
  }
}

/** Repetitions by header list or dose that a turn stands for, both sides together; null where open. */
export function repsAt(item: WorkItem, count: CountRule | undefined, turn: number): number | null {
  const dose = numberedDose(item, count, turn);
  if (dose?.kind !== 'reps') return null;
  return dose.amount.likely * (dose.sides === 'each' || dose.sides === 'pairs' ? 2 : 1);
}

/**
 * An item in an interval that the clock rules: all of the interval is work, shared half and half where each
 * side is asked for; a shorter time of its own leaves the remainder as rest.
 */
export function intervalParts(
  item: WorkItem,
  itemIndex: number,
  count: CountRule | undefined,
  turn: number,
  workSec: number,
  library: MovementLibrary,
): Part[] {
  const { id, name, movement } = resolveMovement(item, turn, library);
  const base: Base = { item: itemIndex, movementId: id, name, effort: itemEffort(item, movement) };
  if (item.dose?.kind === 'time') return fillTo(ownParts(item, itemIndex, count, turn, library), workSec, itemIndex);
  const kind = movement?.isHold ? 'hold' : 'work';
  // Written out: a spread here is half the cost of planning a session by the clock (measured on Node 20).
  const part = (sec: number, side: Part['side'], reps: number | null): Part => ({
    kind,
    sec: exactly(sec),
    estimated: false,
    item: itemIndex,
    movementId: id,
    name,
    side,
    reps,
    effort: base.effort,
  });
  const dose = numberedDose(item, count, turn);
  const sides = dose?.sides ?? (item.dose && 'sides' in item.dose ? item.dose.sides : undefined);
  if (item.halfEachSide || sides === 'each') {
    const [left, right] =
      dose?.kind !== 'reps'
        ? [null, null]
        : sides === 'each'
          ? [dose.amount.likely, dose.amount.likely]
          : [Math.ceil(dose.amount.likely / 2), Math.floor(dose.amount.likely / 2)];
    const leftSec = Math.ceil(workSec / 2);
    if (workSec < 2) return [part(workSec, 'left', left)];
    return [part(leftSec, 'left', left), part(workSec - leftSec, 'right', right)].flatMap((p) => heldAtEnd(p, item));
  }
  return heldAtEnd(part(workSec, item.side ?? null, repsAt(item, count, turn)), item);
}

/** Work within a time, with the hold of its line as the last of it; one that leaves no time to work isn't apart. */
function heldAtEnd(part: Part, { thenHold }: WorkItem): Part[] {
  const holdSec = thenHold === 'by-count' ? part.reps : thenHold;
  if (holdSec === undefined || holdSec === null || part.kind !== 'work' || holdSec >= part.sec.likely) return [part];
  return [
    { ...part, sec: exactly(part.sec.likely - holdSec) },
    { ...part, kind: 'hold', sec: exactly(holdSec), reps: null },
  ];
}

/** Cuts parts off at `sec`, or adds the rest that is left until then: the result adds up to exactly `sec`. */
export function fillTo(parts: readonly Part[], sec: number, itemIndex: number | null): Part[] {
  const out: Part[] = [];
  let left = sec;
  for (const part of parts) {
    if (left <= 0) {
      // What no longer fits is still owed: its count stays on the part before it.
      const last = out.at(-1);
      if (last && part.reps !== null) out[out.length - 1] = { ...last, reps: (last.reps ?? 0) + part.reps };
      continue;
    }
    const likely = Math.min(part.sec.likely, left);
    out.push({ ...part, sec: exactly(likely) });
    left -= likely;
  }
  if (left > 0)
    out.push(
      restPart(
        exactly(left),
        itemIndex,
        out.some((p) => p.estimated),
      ),
    );
  return out;
}

export function restPart(sec: EstimateSec, item: number | null, estimated = sec.low !== sec.high): Part {
  return { kind: 'rest', sec, estimated, item, movementId: null, name: null, side: null, reps: null, effort: 0 };
}
