import type { Block, Item, Span, TimeRule, Role } from '../../document/document.ts';
import { formOf } from '../../forms/forms.ts';
import { BARE_REST_SEC, MAX_ROUNDS } from '../../limits.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { parseStrictly } from '../parse.ts';
import { printSession } from '../print.ts';
import type { HeaderFacts } from './phrases/header-facts.ts';

/** A block while its lines are read. */
export interface OpenBlock {
  role: Role;
  label?: string;
  facts: HeaderFacts;
  items: Item[];
  /** Words about the block itself: they stand on its first movement. */
  words: string[];
  /** How many sets each item's own line asks for. */
  sets: (number | undefined)[];
  /** How often it is done was said behind its list: what follows is another block. */
  isClosed?: boolean;
}

export const openBlock = (role: Role, facts: HeaderFacts = {}): OpenBlock => ({
  role,
  facts,
  items: [],
  sets: [],
  words: [],
});

/** Whether a clock of turns may be meant as the whole list in each. */
export const holdsAll = ({ facts, items }: Pick<OpenBlock, 'facts' | 'items'>): boolean =>
  facts.holdsAll === true && items.filter((i) => i.kind === 'work').length > 1;

/** The rule of time that a block's words come to so far. */
export function timeOf({ facts, items }: Pick<OpenBlock, 'facts' | 'items'>): TimeRule {
  const { time } = facts;
  if (time?.kind === 'slots' && facts.slotRounds && holdsAll({ facts, items }))
    return { kind: 'windows', windows: facts.slotRounds, windowSec: time.slotSec, restSec: 0 };
  if (time?.kind === 'slots' && facts.slotRounds)
    return formOf(time).notation.withNumber(time, 'slots', facts.slotRounds * Math.max(1, items.length));
  if (time?.kind === 'intervals' && facts.times && items.filter((i) => i.kind === 'work').length <= 1)
    return { ...time, total: facts.times };
  // A cap within a turn is when its work should be over.
  if (time?.kind === 'slots' && facts.capSec !== undefined && facts.capSec < time.slotSec)
    return { ...time, workCapSec: facts.capSec };
  if (time?.kind === 'span' && facts.partners) return { ...time, turnsOf: 2 };
  if (time) return time;
  if (facts.gathers) return { kind: 'accumulate', ...(facts.capSec !== undefined && { capSec: facts.capSec }) };
  return { kind: 'own', forTime: facts.forTime === true, ...(facts.capSec !== undefined && { capSec: facts.capSec }) };
}

const mostOf = (sets: readonly (number | undefined)[]): number | undefined => {
  const said = sets.filter((s) => s !== undefined);
  return said.length > 0 ? Math.min(MAX_ROUNDS, Math.max(...said)) : undefined;
};

function roundsOf({ facts, sets }: OpenBlock, time: TimeRule): Span | undefined {
  if (facts.rounds) return facts.rounds;
  if (time.kind === 'intervals' && time.total === undefined && facts.times)
    return { low: facts.times, high: facts.times };
  const most = time.kind === 'own' ? mostOf(sets) : undefined;
  return most === undefined ? undefined : { low: most, high: most };
}

/** A rest that ends a list: after the block where it is done once before another, else between its rounds. */
export function restBehind(open: OpenBlock, isFollowed: boolean): OpenBlock {
  const last = open.items.at(-1);
  const { facts } = open;
  const isRepeated =
    (facts.rounds?.high ?? mostOf(open.sets) ?? 1) > 1 && facts.time === undefined && facts.between === undefined;
  const rests = open.items.filter((i) => i.kind === 'rest').length;
  if (isRepeated && rests === 1 && last?.kind === 'rest' && last.sec !== undefined && open.items.length > 1)
    return {
      ...open,
      items: open.items.slice(0, -1),
      sets: open.sets.slice(0, -1),
      facts: { ...facts, between: { of: 'rounds', lowSec: last.sec, highSec: last.sec } },
    };
  const isOnce =
    (facts.rounds?.high ?? mostOf(open.sets) ?? 1) === 1 &&
    facts.time?.kind !== 'slots' &&
    facts.time?.kind !== 'intervals';
  if (!isFollowed || !isOnce || last?.kind !== 'rest' || last.sec === undefined || facts.thenRestSec !== undefined)
    return open;
  return {
    ...open,
    items: open.items.slice(0, -1),
    sets: open.sets.slice(0, -1),
    facts: { ...facts, thenRestSec: last.sec },
  };
}

/** Movements that each have all the intervals before the next one begins: a block each. */
export function apart(open: OpenBlock): OpenBlock[] {
  const { facts, items } = open;
  const { time } = facts;
  const isAlone = facts.isEachAlone === true || facts.between?.of === 'items';
  const work = items.filter((i) => i.kind === 'work').length;
  const total =
    time?.kind === 'intervals' ? (time.total ?? (facts.isEachAlone ? facts.rounds?.high : undefined)) : undefined;
  if (time?.kind !== 'intervals' || !isAlone || total === undefined || work < 2 || work < items.length) return [open];
  const { between, rounds: _rounds, isEachAlone: _alone, ...rest } = facts;
  return items.map((item, i) => ({
    ...open,
    ...(i > 0 && { label: undefined, words: [] }),
    items: [item],
    sets: [open.sets[i]],
    facts: {
      ...rest,
      time: { ...time, total },
      ...(between && i < items.length - 1 && { thenRestSec: between.lowSec }),
    },
  }));
}

/** A block as the notation takes it. */
export function toBlock(open: OpenBlock): Block {
  const { role, label, facts, items } = open;
  let time = timeOf(open);
  let rounds = roundsOf(open, time);
  if (time.kind === 'intervals' && time.total !== undefined && rounds) {
    // "8 rounds" of one movement are so many intervals; of several they are rounds of the list.
    if (items.length > 1)
      time = { kind: 'intervals', workSec: time.workSec, restSec: time.restSec, stations: time.stations };
    else {
      time = { ...time, total: rounds.high };
      rounds = undefined;
    }
  }
  if (time.kind === 'intervals' && time.restSec.length === 0 && facts.between?.of === 'items')
    time = { ...time, restSec: [facts.between.lowSec] };
  if (time.kind === 'windows' && facts.between) time = { ...time, restSec: facts.between.lowSec };
  const isOwn = time.kind === 'own';
  const takesRounds =
    isOwn || (formOf(time).rule.pulse(time) !== null && !(time.kind === 'intervals' && time.total !== undefined));
  const list = isOwn && facts.list && facts.list.length > 0 ? facts.list : undefined;
  const cycling = !isOwn && time.kind === 'span' && facts.list && facts.cycling;
  const hasRounds = rounds !== undefined && takesRounds && !(list && list.length > 1) && !(isOwn && rounds.high === 1);
  // Under a clock of turns a list of numbers goes by the item's own turn.
  const byTurn = time.kind === 'slots' || time.kind === 'windows' || time.kind === 'intervals' ? facts.list : undefined;
  const counted = items.map((i): Item =>
    i.kind === 'work' && byTurn && (i.dose === undefined || i.dose.kind === 'given')
      ? {
          ...i,
          dose: {
            kind: 'reps',
            amount: byTurn.length > 1 ? { kind: 'list', values: byTurn } : { kind: 'fixed', value: byTurn[0]! },
            ...(i.dose && { sides: i.dose.sides }),
          },
        }
      : i,
  );
  // Turns of partners have a length; without one they are told in words.
  const words = facts.partners && time.kind !== 'span' ? ['one works, the other rests', ...open.words] : open.words;
  const first = counted.findIndex((i) => i.kind === 'work');
  const most = counted.map((i): Item =>
    i.kind === 'work' && facts.isMost && (i.dose === undefined || i.dose.kind === 'given')
      ? { ...i, dose: { kind: 'max', ...(i.dose && { sides: i.dose.sides }) } }
      : i,
  );
  const worded = most.map((i, at): Item =>
    i.kind === 'work' && at === first && words.length > 0 ? { ...i, words: [...words, ...(i.words ?? [])] } : i,
  );
  const kept = worded.map((i): Item =>
    i.kind === 'rest' && i.sec === undefined && formOf(time).notation.restNeedsLength
      ? { ...i, sec: BARE_REST_SEC }
      : i,
  );
  const isFlow = isOwn && time.kind === 'own' && !time.forTime && time.capSec === undefined && !hasRounds && !list;
  return {
    role,
    ...(label !== undefined && { label }),
    time: isFlow ? { kind: 'flow' } : time,
    ...(list && { count: { kind: 'list' as const, values: list, cycling: false } }),
    ...(list && facts.isRelay && { relay: {} }),
    ...(cycling && { count: { kind: 'list' as const, values: facts.list!, cycling: true } }),
    ...(hasRounds && { rounds: rounds! }),
    ...(facts.between &&
      takesRounds &&
      !isFlow &&
      !(time.kind === 'intervals' && facts.between.of === 'items') && { between: facts.between }),
    ...(facts.thenRestSec !== undefined && { thenRestSec: facts.thenRestSec }),
    items: kept,
  };
}

/** A block that reads back: as it is, else without what the notation doesn't take of its clock, else its items alone. */
export function readable(block: Block, library: MovementLibrary): Block {
  const reads = (b: Block) => parseStrictly(printSession({ blocks: [b] }, library), library).issues.length === 0;
  if (reads(block)) return block;
  const flow = { role: block.role, time: { kind: 'flow' } as const };
  const { between: _between, count: _count, ...lean } = block;
  // Without a clock a rest needs its length.
  const items = block.items.map((i): Item =>
    i.kind === 'rest' && i.sec === undefined ? { ...i, sec: BARE_REST_SEC } : i,
  );
  return [lean, { ...flow, items }].find(reads) ?? { ...flow, items: items.map((item) => safe(item, reads)) };
}

/** An item of which the name alone is kept where the notation takes no more of it. */
function safe(item: Item, reads: (b: Block) => boolean): Item {
  const fits = (i: Item) => reads({ role: 'Main', time: { kind: 'flow' }, items: [i] });
  if (item.kind === 'rest' || fits(item)) return item;
  const { tempo: _tempo, thenHold: _hold, halfEachSide: _half, side: _side, ...lean } = item;
  return fits(lean) ? lean : { kind: 'work', choices: [{ name: item.choices[0]!.name }], inTurn: false };
}
