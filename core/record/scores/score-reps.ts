import type { FewerFrom } from '../../clock/fewer.ts';
import { fewerReps, stepsFewer } from '../../clock/fewer.ts';
import type { Block, WorkItem } from '../../document/document.ts';
import { asCounted } from '../../document/option.ts';
import { repsAt } from '../../forms/dose-parts.ts';
import { formOf } from '../../forms/forms.ts';
import { isWork } from '../../words/describe-item.ts';
import { MAX_SCORE } from './score.ts';
import type { Score } from './score.ts';

/** Repetitions of one line of a block on one of its turns, both sides together. */
export interface RepCount {
  readonly item: number;
  /** From 0: where movements take turns, it says whose. */
  readonly turn: number;
  readonly reps: number;
}

interface Line {
  readonly item: WorkItem;
  readonly index: number;
}

/** Repetitions of a line after some steps fewer, both sides together as they come. */
export function repsWithFewer(item: WorkItem, reps: number, steps: number): number {
  const sides = item.dose && 'sides' in item.dose ? item.dose.sides : undefined;
  const each = sides === 'each' || sides === 'pairs' ? 2 : 1;
  return each * fewerReps(reps / each, steps, sides === 'alternate');
}

/** What a score stands for. */
export interface ScoreReps {
  readonly total: number;
  /** By line; null where the score counts several movements together and says nothing of each. */
  readonly counts: readonly RepCount[] | null;
}

/**
 * The repetitions that a score stands for, by the block as it was done: whole rounds and what was done of the next one from the top, the
 * lines before a window's open one with it, every set up to the one that was stopped in, every turn of a climb that was held. `fewer`: from where on fewer were done.
 * Undefined where nobody can tell: a line owes no number, or a time says that all that was planned was done.
 */
export function scoreReps(score: Score, block: Block, fewer: readonly FewerFrom[] = []): ScoreReps | undefined {
  const lines = block.items.flatMap((item, index) => (isWork(item) ? [{ item: asCounted(item), index }] : []));
  const set = setOf(score, block);
  const repsOf = ({ item, index }: Line, turn: number): number | null => {
    const reps = repsAt(item, block.count, turn);
    return reps === null ? null : repsWithFewer(item, reps, stepsFewer(fewer, { set, turn, item: index }));
  };
  const ofTurn = (turn: number): readonly RepCount[] | undefined => {
    const counts: RepCount[] = [];
    for (const { item, index } of lines) {
      const reps = repsOf({ item, index }, turn);
      if (reps === null && !isCountedElsewhere(item)) return undefined;
      if (reps !== null) counts.push({ item: index, turn, reps });
    }
    return counts;
  };
  const { steps } = formOf(block.time);
  const numberAt = steps.numberAt && ((turn: number) => steps.numberAt!(block.time, turn));
  switch (score.kind) {
    case 'rounds+reps':
      return whole(fromTheTop(ofTurn, score.rounds, score.reps, turnsOfPerson(block, score.part ?? 1)));
    case 'reps': {
      const open = lines.filter(({ item }) => item.dose?.kind === 'max' || item.dose === undefined);
      const only = open.length === 1 ? open[0]! : lines.length === 1 ? lines[0]! : undefined;
      const isReps = !only || !isCountedElsewhere(only.item);
      if (!isReps) return undefined;
      return {
        total: score.reps,
        counts: only && !only.item.inTurn ? [{ item: only.index, turn: 0, reps: score.reps }] : null,
      };
    }
    case 'time':
      return score.reps === undefined ? undefined : whole(fromTheTop(ofTurn, MAX_SCORE, score.reps));
    case 'reps-per-window':
      return whole(ofWindows(score.reps, lines, repsOf, ofTurn));
    case 'top-set':
      return numberAt && whole(ofPyramid(score, numberAt, lines));
    case 'whole-slots':
      return (
        numberAt &&
        whole(
          Array.from({ length: score.slots }, (_, turn) => {
            const count = { kind: 'list' as const, values: [numberAt(turn)], cycling: false };
            return lines.flatMap(({ item, index }) => {
              const reps = repsAt(item, count, 0);
              return reps === null ? [] : [{ item: index, turn, reps }];
            });
          }).flat(),
        )
      );
  }
}

/** The set that a score is of, where each partner has one of each. */
function setOf({ part = 1 }: Score, block: Block): number {
  const { persons } = formOf(block.time).rule.askedScore(block.time, block);
  return Math.floor((part - 1) / persons) + 1;
}

/** Metres, kilocalories and seconds are counted as such: no repetitions are missing where they stand. */
const isCountedElsewhere = ({ dose }: WorkItem): boolean =>
  dose?.kind === 'time' || dose?.kind === 'distance' || dose?.kind === 'energy';

const whole = (counts: readonly RepCount[] | undefined): ScoreReps | undefined =>
  counts && { total: counts.reduce((sum, c) => sum + c.reps, 0), counts };

/** The turns of the list that are a person's rounds, where partners take it in turn. */
function turnsOfPerson(block: Block, part: number): (round: number) => number {
  const { rule, steps } = formOf(block.time);
  const { persons } = rule.askedScore(block.time, block);
  return (round) => steps.partnerTurn?.(block.time, round, (part - 1) % persons) ?? round;
}

/** Rounds from the top, and of the one behind them so many repetitions, line by line; undefined where a round isn't known. */
function fromTheTop(
  ofTurn: (turn: number) => readonly RepCount[] | undefined,
  rounds: number,
  begun: number,
  turnOf: (round: number) => number = (round) => round,
): readonly RepCount[] | undefined {
  const counts: RepCount[] = [];
  // A count with a cap says only how many there were: it is dealt out until none is left.
  const isDealt = rounds === MAX_SCORE;
  let left = isDealt ? begun : Infinity;
  for (let round = 0; round < rounds && left > 0; round++) {
    const own = ofTurn(turnOf(round));
    const sum = own?.reduce((n, c) => n + c.reps, 0) ?? 0;
    if (!own || (isDealt && sum === 0)) return undefined;
    counts.push(...takeReps(own, left));
    if (isDealt) left -= sum;
  }
  if (isDealt || begun === 0) return counts;
  const last = ofTurn(turnOf(rounds));
  return last && [...counts, ...takeReps(last, begun)];
}

/** The first so many repetitions of a round; what is more than all of it stays with its last line. */
function takeReps(counts: readonly RepCount[], most: number): RepCount[] {
  const taken: RepCount[] = [];
  let left = most;
  for (const own of counts) {
    if (left <= 0) break;
    const reps = Math.min(left, own.reps);
    taken.push({ ...own, reps });
    left -= reps;
  }
  return taken;
}

/** Each window from the top: the fixed lines before an open one and what was counted of it, or all that was counted, dealt out. */
function ofWindows(
  reps: readonly number[],
  lines: readonly Line[],
  repsOf: (line: Line, turn: number) => number | null,
  ofTurn: (turn: number) => readonly RepCount[] | undefined,
): readonly RepCount[] | undefined {
  const last = lines.at(-1);
  if (!last) return undefined;
  const isOpen = last.item.dose?.kind === 'max' || repsOf(last, 0) === null;
  const counts: RepCount[] = [];
  for (const [window, counted] of reps.entries()) {
    if (isOpen) {
      for (const { item, index } of lines.slice(0, -1)) {
        const fixed = repsOf({ item, index }, window);
        if (fixed === null && !isCountedElsewhere(item)) return undefined;
        if (fixed !== null && counted > 0) counts.push({ item: index, turn: window, reps: fixed });
      }
      counts.push({ item: last.index, turn: window, reps: counted });
      continue;
    }
    const dealt = fromTheTop(() => ofTurn(window), MAX_SCORE, counted);
    if (!dealt) return undefined;
    counts.push(...dealt);
  }
  return counts;
}

/** Of both movements of a pair: every set up to the top, then down from the one that was stopped in. */
function ofPyramid(
  { tops, begun, downs }: Extract<Score, { kind: 'top-set' }>,
  numberAt: (set: number) => number,
  lines: readonly { readonly index: number }[],
): RepCount[] {
  return tops.flatMap((top, pair) => {
    const next = begun?.[pair] ?? 0;
    const highest = Math.max(1, Math.ceil(top), next > 0 ? Math.floor(top) + 1 : 0);
    const reps =
      setsReps(top, numberAt) + next + setsReps(downs?.[pair] ?? 0, (set) => numberAt(Math.max(0, highest - 1 - set)));
    return lines.slice(pair * 2, pair * 2 + 2).map(({ index }) => ({ item: index, turn: pair, reps }));
  });
}

/** Repetitions of so many sets, the last perhaps in part; `of` says how many a set has, counted from 0. */
function setsReps(sets: number, of: (set: number) => number): number {
  const wholeSets = Math.floor(sets);
  let reps = Math.round((sets - wholeSets) * of(wholeSets));
  for (let set = 0; set < wholeSets; set++) reps += of(set);
  return reps;
}
