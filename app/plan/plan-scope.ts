import type { MovementLayer } from '../../core/movement/layer.ts';
import { layerLibrary } from '../../core/movement/layer.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import type { DayPlanner } from '../../core/progress/day-plan.ts';
import { createDayPlanner } from '../../core/progress/day-plan.ts';
import type { TrackBook } from '../../core/progress/edit/regenerate.ts';
import { createTrackBook } from '../../core/progress/edit/regenerate.ts';
import { readRoutines } from '../../core/session/read-routines.ts';

export interface PlanTools {
  readonly book: TrackBook;
  readonly planner: DayPlanner;
}

export interface PlanReading {
  readonly layer: MovementLayer;
  readonly stored: readonly { readonly name: string; readonly text: string }[];
}

/** Workspaces whose plans are remembered at a time. */
const MAX_KEPT = 8;
const kept = new Map<string, PlanTools>();

/** What plans are read and drawn with, kept by content: a page that loads again, and the server's next request, plan nothing twice. */
export function planTools({ layer, stored }: PlanReading): PlanTools {
  const key = JSON.stringify([layer, stored]);
  const known = kept.get(key);
  if (known) return known;
  const { library } = layerLibrary(baseLibrary, layer);
  const scope = { library, routines: readRoutines(stored, library) };
  const tools: PlanTools = { book: createTrackBook(scope), planner: createDayPlanner(scope) };
  kept.set(key, tools);
  if (kept.size > MAX_KEPT) kept.delete(kept.keys().next().value!);
  return tools;
}
