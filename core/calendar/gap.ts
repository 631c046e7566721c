import type { Gap, OwnDay } from './run-rules.ts';

const HOUR_MS = 3_600_000;

/** A day that was open for less than this before it ended is owed by nobody; a day that is shorter, for all of it. */
export const LEAST_OPEN_MS = HOUR_MS;

/**
 * For how long a day was open to someone before their own day ended, in ms: from its hour on, not before it was first sent, not
 * before what held it back had passed, and without the time in which no page could be opened.
 */
export function openMs(
  { releaseMs, endsMs }: Pick<OwnDay, 'releaseMs' | 'endsMs'>,
  firstSentMs: number,
  gaps: readonly Gap[],
): number {
  let from = Math.max(releaseMs, firstSentMs);
  const ends = (gap: Gap) => gap.toMs ?? Infinity;
  // One gap may begin where another ends: looked through until nothing moves.
  for (let moved = true; moved;) {
    moved = false;
    for (const gap of gaps)
      if (gap.fromMs <= from && ends(gap) > from) {
        from = ends(gap);
        moved = true;
      }
  }
  if (from >= endsMs) return 0;
  // What couldn't be opened later on: gaps may lie over each other.
  let open = endsMs - from;
  let countedTo = from;
  for (const gap of gaps.filter((g) => g.kind === 'serve').sort((a, b) => a.fromMs - b.fromMs)) {
    const start = Math.max(countedTo, gap.fromMs);
    const end = Math.min(endsMs, ends(gap));
    if (end <= start) continue;
    open -= end - start;
    countedTo = end;
  }
  return open;
}

/** Whether a day was open to someone for long enough, before their own day ended, that it is theirs to have done. */
export const wasOpenInTime = (
  own: Pick<OwnDay, 'releaseMs' | 'endsMs'>,
  firstSentMs: number,
  gaps: readonly Gap[],
): boolean => openMs(own, firstSentMs, gaps) >= Math.min(LEAST_OPEN_MS, own.endsMs - own.releaseMs);
