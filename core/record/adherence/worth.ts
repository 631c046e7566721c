import { fewerReps, stepsFewer } from '../../clock/fewer.ts';
import type { Block, WorkItem } from '../../document/document.ts';
import { asCounted, hasOptions } from '../../document/option.ts';
import { repsAt, resolveMovement } from '../../forms/dose-parts.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { takenOption } from '../../movement/taken-option.ts';
import { computePlan } from '../../session/plan.ts';
import type { SessionPlan } from '../../session/plan.ts';
import { isWork } from '../../words/describe-item.ts';
import { wholeMinutes } from '../../words/words.ts';
import type { RecordDetails, SessionRecord } from '../record.ts';
import type { Score } from '../scores/score.ts';
import { repsOfRound } from '../scores/score-key.ts';
import { scoreSums } from '../scores/score-sums.ts';
import { isBetter } from '../scores/score.ts';
import type { ScoreRate } from '../scores/score-rate.ts';
import { amountPer } from '../scores/score-rate.ts';
import { repsWithFewer, scoreReps } from '../scores/score-reps.ts';
import type { ToMatch } from '../scores/to-match.ts';

type Earlier = ToMatch['targets'][number]['last'];

/** What a session was worth to somebody who did it. */
export interface Worth {
  readonly minutes: number;
  /** Whether the minutes are a share of a plan, or an estimate of it. */
  readonly isAboutMinutes: boolean;
  /** Repetitions of all movements together; null where some of the work was open and no score says how much it was. */
  readonly reps: number | null;
  /** Whether they are a share of what was planned. */
  readonly isAboutReps: boolean;
  /** By movement, most first; empty where a score counts several together. */
  readonly movements: readonly { readonly name: string; readonly reps: number }[];
  /** Scores that may be held against earlier ones. */
  readonly compared: readonly WorthScore[];
  /** Scores that may be held against earlier ones of another length, by their pace. */
  readonly paced: readonly WorthPace[];
}

export interface WorthPace {
  readonly block: number;
  readonly rate: ScoreRate;
  /** Its own pace, and the earlier one's. */
  readonly amount: number;
  readonly before: number;
  readonly dayWords: string;
}

export interface WorthScore {
  readonly block: number;
  readonly score: Score;
  readonly last: Earlier;
  /** `best`: better than all before; `better`, `same` and `less` go by the last. */
  readonly stands: 'best' | 'better' | 'same' | 'less';
}

type DoneRecord = Pick<SessionRecord, 'outcome' | 'shareRatio' | 'scores' | 'details'>;
/** A session as it was fitted to the person. */
interface DoneSession {
  readonly plan: SessionPlan;
  readonly blocks: readonly Block[];
}

/**
 * What a session was worth: its time and its repetitions, in the options that were chosen, item by item where the clock saw it, and of
 * open work as far as a score says it. Undefined for a session that wasn't done. `session` is the one that was done, resolved and fitted.
 */
export function worthOf(
  record: DoneRecord,
  session: DoneSession,
  { targets, paced }: Pick<ToMatch, 'targets' | 'paced'>,
  library: MovementLibrary,
): Worth | undefined {
  if (record.outcome === 'not-done') return undefined;
  const { ranSec, did } = record.details ?? {};
  const isWhole = record.outcome === 'done';
  const { plan, blocks } = asChosen(session, record.details ?? {}, library);
  const ranAllSec = did && ranSec && Object.values(ranSec).reduce((a, b) => a + b, 0);
  const counts = blocks.map((block, at) => countsOf(at, block, plan, record, library));
  const known = counts.filter((c) => c !== undefined);
  const total = known.reduce((sum, c) => sum + c.total, 0);
  const byName = new Map<string, number>();
  for (const { movements } of known)
    for (const [name, reps] of movements ?? []) byName.set(name, (byName.get(name) ?? 0) + reps);
  return {
    minutes: wholeMinutes(ranAllSec ?? plan.clockSec.likely * record.shareRatio),
    isAboutMinutes: !isWhole || plan.estimated,
    reps: known.length === counts.length ? total : null,
    isAboutReps: !isWhole,
    movements:
      known.length === counts.length && known.every((c) => c.movements !== null)
        ? [...byName].map(([name, reps]) => ({ name, reps })).sort((a, b) => b.reps - a.reps)
        : [],
    compared: wholeScores(record.scores, session).flatMap((score): WorthScore[] => {
      const target = targets[score.block];
      return target && (score.part ?? 1) === (target.last.score.part ?? 1)
        ? [{ block: score.block, score, last: target.last, stands: standsTo(score, target.last, target.best) }]
        : [];
    }),
    paced: record.scores.flatMap((score): WorthPace[] => {
      const own = paced[score.block];
      const amount = own && score.kind === own.even.kind ? amountPer(score, own.rate, own.perRound) : undefined;
      return own && amount !== undefined
        ? [{ block: score.block, rate: own.rate, amount, before: own.amount, dayWords: own.last.dayWords }]
        : [];
    }),
  };
}

/** The scores as they are held against earlier ones: of a block in sets their sum, where there is one of each. */
function wholeScores(scores: readonly Score[], { plan, blocks }: DoneSession): readonly Score[] {
  const isInSets = ({ block }: Score) =>
    (plan.blocks[block]?.sets ?? 1) > 1 && plan.blocks[block]!.scoreForm?.persons === 1;
  const times = plan.blocks.map(({ sets }, block) => ({ block, sets, persons: 1 }));
  const sums = scoreSums(scores.filter(isInSets), times, (block) => repsOfRound(blocks[block]!));
  return [...scores.filter((s) => !isInSets(s)), ...sums.map((s) => s.score)];
}

function standsTo(score: Score, last: Earlier, best: Earlier): WorthScore['stands'] {
  if (isBetter(score, best.score)) return 'best';
  if (isBetter(score, last.score)) return 'better';
  return isBetter(last.score, score) ? 'less' : 'same';
}

/** The session in the options and with the rounds that were chosen, planned anew where any was; a line that was left out stays, for its number. */
function asChosen(session: DoneSession, { chosen, rounds }: RecordDetails, library: MovementLibrary): DoneSession {
  const blocks = session.blocks.map((written, at) => {
    const done = rounds?.[at];
    const block = done === undefined ? written : { ...written, rounds: { low: done, high: done } };
    const own = chosen?.filter((c) => c.block === at && c.to !== '') ?? [];
    if (own.length === 0) return block;
    return {
      ...block,
      items: block.items.map((item, i) => {
        const to = own.find((c) => c.item === i)?.to;
        if (to === undefined || !isWork(item) || item.inTurn) return item;
        const option = hasOptions(item) ? item.choices.findIndex((c) => c.name === to) : -1;
        if (option >= 0) return takenOption(item, option, library);
        return { ...item, choices: item.choices.map((c, n) => (n === 0 ? { ...c, name: to } : c)) };
      }),
    };
  });
  if (blocks.every((b, i) => b === session.blocks[i])) return session;
  return { blocks, plan: computePlan({ blocks }, library) };
}

/** Repetitions of a stretch of the plan after some steps fewer; of halves the first side has the odd one. */
function fewerOfSegment(
  line: WorkItem,
  {
    reps,
    side,
    total,
  }: { readonly reps: number; readonly side: 'left' | 'right' | null; readonly total: number | null },
  steps: number,
): number {
  if (side === null) return repsWithFewer(line, reps, steps);
  // What didn't fit into its time stands with the side before it.
  if (!line.halfEachSide || total === null || reps === total) return fewerReps(reps, steps);
  return (side === 'left' ? Math.ceil : Math.floor)(fewerReps(total, steps) / 2);
}

interface BlockCounts {
  readonly total: number;
  /** Null where nobody can tell which movement they are of. */
  readonly movements: ReadonlyMap<string, number> | null;
}

/** The repetitions of a block: by its scores, else by its plan and the share that was done; undefined where it was open and nothing says. */
function countsOf(
  at: number,
  block: Block,
  plan: SessionPlan,
  { scores, shareRatio, details }: DoneRecord,
  library: MovementLibrary,
): BlockCounts | undefined {
  // Partners log each their own; who holds the phone is the first of them.
  const partners = plan.blocks[at]!.scoreForm?.persons ?? 1;
  const own = scores.filter((s) => s.block === at && ((s.part ?? 1) - 1) % partners === 0);
  const fewer = details?.fewer?.[at];
  const scored = own.map((score) => scoreReps(score, block, fewer));
  const movements = new Map<string, number>();
  const add = (name: string, reps: number) => movements.set(name, (movements.get(name) ?? 0) + reps);
  const segments = plan.timeline.filter((s) => s.block === at && s.movementId !== null);
  const isOpen = plan.timeline.some((s) => s.block === at && s.kind === 'open');
  const isTold = scored.length === plan.blocks[at]!.sets && scored.every((s) => s !== undefined);
  if (isOpen && !isTold) return undefined;
  const isTellingAll = isTold && own.every((s) => s.kind !== 'reps' || segments.every((g) => g.reps === null));
  if (!isTellingAll) {
    const { did } = details ?? {};
    const lines = block.items.map((line) => (isWork(line) ? asCounted(line) : undefined));
    for (const { item, movementId, name, reps, side, set, round } of segments) {
      const line = lines[item ?? -1];
      if (reps === null || item === null || movementId === null || name === null || !line) continue;
      const turn = Math.max(0, round - 1);
      const steps = stepsFewer(fewer, { set, turn, item });
      const own =
        steps === 0 ? reps : fewerOfSegment(line, { reps, side, total: repsAt(line, block.count, turn) }, steps);
      const done = did ? (did[`${at}-${item}`] ?? did[at] ?? 1) : shareRatio;
      add(name, own * done);
    }
  }
  let rest = 0;
  for (const one of isTold ? scored : []) {
    for (const { item, turn, reps } of one.counts ?? []) {
      const line = block.items[item]!;
      if (isWork(line)) add(resolveMovement(line, turn, library).name, reps);
    }
    if (one.counts === null) rest += one.total;
  }
  const total = [...movements.values()].reduce((a, b) => a + b, 0) + rest;
  return { total, movements: rest > 0 ? null : movements };
}
