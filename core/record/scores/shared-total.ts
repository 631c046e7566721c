import type { Block } from '../../document/document.ts';
import { scoreKind } from '../../forms/forms.ts';
import type { SessionPlan } from '../../session/plan.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { isWork } from '../../words/describe-item.ts';
import type { Score } from './score.ts';

/** What all of a run sum up together: words for it, and the movements whose repetitions count. */
export interface SharedTotal {
  /** `stairs climbed by all branches` */
  readonly words: string;
  /** Ids of movements. */
  readonly movements: readonly string[];
}
export const MAX_SHARED_WORDS = 80;
export const MAX_SHARED_MOVEMENTS = 20;

/** What is stored, as far as it can be used; undefined where there is none. */
export function readSharedTotal(stored: unknown): SharedTotal | undefined {
  const { words, movements } = (stored ?? {}) as { words?: unknown; movements?: unknown };
  return typeof words === 'string' && Array.isArray(movements) && movements.every((m) => typeof m === 'string')
    ? { words, movements }
    : undefined;
}

/** A block whose rounds are open: what one of them has, in its order. */
export interface OpenRound {
  readonly block: number;
  readonly items: readonly {
    /** Its line of the block. */
    readonly item: number;
    /** Of its movement; null where the library doesn't know it. */
    readonly id: string | null;
    /** Its repetitions; null where they aren't a number. */
    readonly reps: number | null;
  }[];
}

/** The blocks whose score is rounds, with what a round has of each movement. */
export const openRounds = (blocks: readonly Block[], library: MovementLibrary): OpenRound[] =>
  blocks.flatMap((b, block): OpenRound[] => {
    if (scoreKind(b) !== 'rounds+reps') return [];
    const lines = b.items.flatMap((line, item) => (isWork(line) ? [{ ...line, item }] : []));
    const items = lines.map(({ dose, choices, item }) => ({
      item,
      id: library.findByName(choices[0]!.name)?.id ?? null,
      reps:
        dose?.kind === 'reps' && dose.amount.kind === 'fixed'
          ? dose.amount.value * (dose.sides === 'each' ? 2 : 1)
          : null,
    }));
    return [{ block, items }];
  });

/** Repetitions that are planned of a line, all its rounds together. */
export interface LineReps {
  readonly block: number;
  readonly item: number;
  readonly id: string;
  readonly reps: number;
}

/** What is planned of each line; of open rounds nothing. */
export function lineReps({ timeline }: Pick<SessionPlan, 'timeline'>): LineReps[] {
  const lines = new Map<string, { -readonly [K in keyof LineReps]: LineReps[K] }>();
  for (const { block, item, movementId, reps } of timeline) {
    if (item === null || movementId === null || reps === null) continue;
    const key = `${block} ${item} ${movementId}`;
    const line = lines.get(key);
    if (line) line.reps += reps;
    else lines.set(key, { block, item, id: movementId, reps });
  }
  return [...lines.values()];
}

/** The place of what is a block's own. */
const WHOLE_BLOCK = -1;

/** A line that somebody did as another movement; null where it was left out, or nobody knows what it was. */
export interface DoneAs {
  readonly block: number;
  /** −1 for the whole block: its rounds were others. */
  readonly item: number;
  readonly id: string | null;
  /** How many were done of it, times what was sent; absent: as many. */
  readonly times?: number;
}

/** Repetitions of some movements in so many rounds and the repetitions begun of another, which go down its lines as they stand. */
function scoredReps(
  isCounted: (item: OpenRound['items'][number]) => boolean,
  { items }: OpenRound,
  rounds: number,
  begun: number,
): number {
  let sum = 0;
  let left = begun;
  let isKnown = true;
  for (const item of items) {
    // Behind a line that isn't counted nobody knows where the rest was done.
    if (item.reps === null) isKnown = false;
    const more = isKnown ? Math.min(left, item.reps ?? 0) : 0;
    left -= more;
    if (isCounted(item)) sum += rounds * (item.reps ?? 0) + more;
  }
  return sum;
}

/**
 * Repetitions of some movements that one record stands for, as they were done: what was planned by its share, and of open rounds what was
 * scored, the repetitions of the last one included. A line that was done as another movement counts for that one. Nothing is guessed:
 * what wasn't scored adds nothing.
 */
export function sharedReps(
  movements: readonly string[],
  { lines, openRounds: open }: { readonly lines: readonly LineReps[]; readonly openRounds: readonly OpenRound[] },
  record: { readonly shareRatio: number; readonly scores: readonly Score[]; readonly doneAs?: readonly DoneAs[] },
): number {
  const { doneAs = [] } = record;
  const counts = (block: number, item: number, written: string | null) => {
    const other = doneAs.findLast((d) => d.block === block && d.item === item);
    const id = other ? other.id : written;
    return id !== null && movements.includes(id);
  };
  const times = ({ block, item }: LineReps) =>
    doneAs.reduce(
      (n, d) => (d.block === block && (d.item === item || d.item === WHOLE_BLOCK) ? n * (d.times ?? 1) : n),
      1,
    );
  const planned = lines.filter((l) => counts(l.block, l.item, l.id)).reduce((n, l) => n + l.reps * times(l), 0);
  let sum = planned * record.shareRatio;
  for (const round of open)
    for (const s of record.scores)
      if (s.block === round.block && s.kind === 'rounds+reps')
        sum += scoredReps((i) => counts(round.block, i.item, i.id), round, s.rounds, s.reps);
  return Math.round(sum);
}
