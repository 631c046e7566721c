/** What will become of a day of a run, for people of one zone, as things stand. */
export type GoingState =
  'out' | 'goes' | 'ahead' | 'by-hand' | 'to-read' | 'not-ready' | 'unwritten' | 'held' | 'withdrawn';

/** Whether a day reaches people as it should without anybody doing anything. */
export const isSure = (state: GoingState): boolean => state === 'out' || state === 'goes' || state === 'ahead';

/** What the state of a day follows from. */
export interface GoingFacts {
  readonly isWithdrawn: boolean;
  readonly isSent: boolean;
  readonly isWritten: boolean;
  readonly isReady: boolean;
  /** A coach has seen its text. */
  readonly isRead: boolean;
  readonly releaseMs: number;
}

/** The state of a day at `nowMs`, in a run that is sent by hand or not, and perhaps held since `heldAtMs`. */
export function goingState(
  run: { readonly isByHand: boolean; readonly heldAtMs: number | null },
  day: GoingFacts,
  nowMs: number,
): GoingState {
  if (day.isWithdrawn) return 'withdrawn';
  const isHeld = run.heldAtMs !== null;
  if (day.isSent && day.releaseMs <= nowMs && (run.heldAtMs === null || day.releaseMs <= run.heldAtMs)) return 'out';
  if (isHeld) return 'held';
  if (day.isSent) return 'ahead';
  if (!day.isWritten) return 'unwritten';
  if (!day.isReady) return day.isRead ? 'not-ready' : 'to-read';
  return run.isByHand ? 'by-hand' : 'goes';
}
