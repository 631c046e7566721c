import { useMemo } from 'react';
import { groupBy } from '../../core/group-by.ts';
import { findGuards } from '../../core/progress/guards/find-guards.ts';
import type { Guard } from '../../core/progress/guards/guard.ts';
import { planProgramme } from '../../core/progress/plan-programme.ts';
import type { LoadedPlan, Plan } from './use-plan.ts';
import { guardSubject } from '../../words/en/guards.ts';

/** What a proposal adds to what is worth a look, and how much it takes away. */
export function useGuardChanges(
  { run }: Pick<LoadedPlan, 'run'>,
  plan: Pick<Plan, 'base' | 'guards' | 'tools'>,
): { readonly added: readonly Guard[]; readonly gone: number } {
  const { base, guards, tools } = plan;
  const before = useMemo(
    () =>
      findGuards({
        programme: base,
        weeks: planProgramme(base, tools.planner),
        tracks: base.tracks.map((t) => tools.book.read(t)),
        run,
      }),
    [base, tools, run],
  );
  return useMemo(() => {
    const nameOf = (g: Guard) => `${g.code} ${guardSubject(g, base.firstWeekday)}`;
    const outOf = (list: readonly Guard[], others: readonly Guard[]) => {
      const known = groupBy(others, nameOf);
      return list.filter((g) => !known.get(nameOf(g))?.some((o) => g.weeks.every((w) => o.weeks.includes(w))));
    };
    return { added: outOf(guards, before), gone: outOf(before, guards).length };
  }, [before, guards, base.firstWeekday]);
}
