import type { SessionPlan } from './plan.ts';

export interface MovementUsage {
  /** Days on which it stands. */
  readonly days: readonly string[];
  readonly reps: number;
  readonly heldSec: number;
}

/** How often movements stand in the sessions of some days, by movement id. `days` are keyed as the caller likes, in order. */
export function countUsage(
  days: readonly { readonly key: string; readonly plan: Pick<SessionPlan, 'movements'> }[],
): Map<string, MovementUsage> {
  const usage = new Map<string, { days: string[]; reps: number; heldSec: number }>();
  for (const { key, plan } of days) {
    for (const m of plan.movements) {
      const own = usage.get(m.id) ?? { days: [], reps: 0, heldSec: 0 };
      own.days.push(key);
      own.reps += m.reps;
      own.heldSec += m.heldSec;
      usage.set(m.id, own);
    }
  }
  return usage;
}
