import type { MovementLibrary } from '../movement/library.ts';
import type { Area } from '../movement/movement.ts';
import { areaOf } from '../movement/movement.ts';
import type { SessionPlan } from './plan.ts';

/**
 * Likely seconds of work by area, most first; open spans by what is likely to fill them. Movements that the library
 * doesn't know, and rest, are left out. An empty plan gives an empty list.
 */
export function computeAreaWork(
  plan: Pick<SessionPlan, 'timeline'>,
  library: MovementLibrary,
): { readonly area: Area; readonly sec: number }[] {
  const sums = new Map<Area, number>();
  const add = (movementId: string | null, sec: number) => {
    const movement = movementId === null ? undefined : library.find(movementId);
    if (!movement) return;
    const area = areaOf(movement);
    sums.set(area, (sums.get(area) ?? 0) + sec);
  };
  for (const s of plan.timeline) {
    if (s.kind === 'rest') continue;
    if (s.expected && s.movementId === null)
      for (const part of s.expected) add(part.kind === 'rest' ? null : part.movementId, part.sec.likely);
    else add(s.movementId, s.endSec - s.startSec);
  }
  return [...sums].map(([area, sec]) => ({ area, sec })).sort((a, b) => b.sec - a.sec);
}
