import type { DayDate } from '../calendar/day.ts';

/** What of a block someone can have more or less of, for themselves. */
export const OWN_LEVERS = ['rounds', 'work', 'rest', 'clock'] as const;
export type OwnLever = (typeof OWN_LEVERS)[number];

/** A count or a weight of someone's own, agreed with their coach. */
export interface OwnDose {
  /** Id of the movement; null: whatever is counted in the main work. */
  readonly movement: string | null;
  readonly repsBy?: number;
  /** Kilograms. */
  readonly loadBy?: number;
  /** What of the main work's blocks is otherwise, and by how much: rounds, or seconds. Then `movement` is null. */
  readonly lever?: OwnLever;
  readonly leverBy?: number;
  /** From that day on. */
  readonly since: DayDate;
  /** What was agreed, for people. */
  readonly words: string;
}

/** How many someone may have. */
export const MAX_OWN_DOSES = 40;
const MAX_REPS_BY = 50;
const MAX_LOAD_BY = 100;
const MAX_LEVER_BY = 600;

const isWhole = (n: unknown, most: number): n is number => Number.isInteger(n) && Math.abs(n as number) <= most;
const isKg = (n: unknown): n is number => typeof n === 'number' && Math.abs(n) <= MAX_LOAD_BY;

/** What is stored, as far as it can be used; undefined where a part of it can't. */
export function readOwnDoses(stored: unknown): readonly OwnDose[] | undefined {
  if (!Array.isArray(stored) || stored.length > MAX_OWN_DOSES) return undefined;
  const read = stored.flatMap((d: unknown): OwnDose[] => {
    const { movement, repsBy, loadBy, lever, leverBy, since, words } = (d ?? {}) as Record<string, unknown>;
    if (movement !== null && typeof movement !== 'string') return [];
    if (typeof since !== 'string' || !/^\d{4}-\d\d-\d\d$/.test(since) || typeof words !== 'string') return [];
    if (repsBy !== undefined && !isWhole(repsBy, MAX_REPS_BY)) return [];
    if (loadBy !== undefined && !isKg(loadBy)) return [];
    const own = OWN_LEVERS.find((l) => l === lever);
    if (lever !== undefined && (own === undefined || !isWhole(leverBy, MAX_LEVER_BY))) return [];
    return [
      {
        movement,
        since: since as DayDate,
        words,
        ...(repsBy !== undefined && { repsBy }),
        ...(loadBy !== undefined && { loadBy }),
        ...(own && { lever: own, leverBy: leverBy as number }),
      },
    ];
  });
  return read.length === stored.length ? read : undefined;
}
