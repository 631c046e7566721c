import { useMemo } from 'react';
import { findGuards } from '../../../core/progress/guards/find-guards.ts';
import type { Guard } from '../../../core/progress/guards/guard.ts';
import { planProgramme } from '../../../core/progress/plan-programme.ts';
import type { LoadedPlan, Plan } from './use-plan.ts';

/** What a proposal adds to what is worth a look, and how much it takes away. */
export function useGuardChanges({ startsOn }: Pick<LoadedPlan, 'startsOn'>, plan: Pick<Plan, 'base' | 'guards' | 'tools'>): { readonly added: readonly Guard[]; readonly gone: number } {
  const { base, guards, tools } = plan;
  const before = useMemo(() => findGuards({ programme: base, weeks: planProgramme(base, tools.planner), tracks: base.tracks.map((t) => tools.book.read(t)), startsOn }), [base, tools, startsOn]);
  return useMemo(() => {
    const isIn = (g: Guard, list: readonly Guard[]) => list.some((o) => o.code === g.code && o.subject === g.subject && g.weeks.every((w) => o.weeks.includes(w)));
    return { added: guards.filter((g) => !isIn(g, before)), gone: before.filter((g) => !isIn(g, guards)).length };
  }, [before, guards]);
}
