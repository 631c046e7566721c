import type { MovementLibrary } from '../../core/movement/library.ts';
import { laddersWith } from '../../core/movement/ladders-with.ts';
import { findStep } from '../../core/movement/scale.ts';
import type { LoadHistory, ShapeHabit } from '../../core/progress/person/propose.ts';
import type { listStandingDetails } from '../../db/queries/standing.ts';
import type { RunFollow } from './run-follow.ts';

type Detail = Awaited<ReturnType<typeof listStandingDetails>>[number];
type Days = RunFollow['days'];

type Known = { -readonly [K in keyof LoadHistory]: LoadHistory[K] } & { sessions: LoadHistory['sessions'][number][] };

/** The sets of each movement with the weight that was used last or a step of a scale, to the goal that stood last, the oldest first. */
export function loadHistories(details: readonly Detail[], days: Days, library: MovementLibrary) {
  const histories = new Map<string, Known>();
  const weights = new Map<Known, string>();
  const kgOf = new Map<string, number>();
  const factsOf = new Map(days.map((d) => [d.dayId, d.facts]));
  for (const { dayId, effort, details: said } of details)
    for (const used of [...(said.loads ?? []), ...(said.steps ?? [])]) {
      const asked = factsOf.get(dayId)?.loads.find((l) => l.block === used.block && l.item === used.item);
      if (!asked || used.lastReps === undefined) continue;
      const { low, high } = asked.goal;
      const weight = 'kg' in used ? `${used.kg} kg` : used.step;
      const known = histories.get(asked.movement);
      // Another goal, or another weight, is another beginning.
      const goesOn =
        known && weights.get(known) === weight && known.goalReps === low && (known.ceilingReps ?? low) === high;
      const history: Known = goesOn
        ? known
        : {
            movement: asked.movement,
            name: asked.name,
            goalReps: low,
            ...(high > low && { ceilingReps: high }),
            sessions: [],
          };
      weights.set(history, weight);
      if ('kg' in used) kgOf.set(asked.movement, used.kg);
      else {
        const place = findStep(library.scales, used.step);
        history.scale = { used: used.step, next: place?.scale.steps[place.at + 1] ?? null };
      }
      history.sessions.push({ sets: used.setReps ?? [used.lastReps], of: asked.sets, effort });
      histories.set(asked.movement, history);
    }
  return { loads: [...histories.values()], kgOf };
}

/** So many sessions in a row with the same other shape are a habit (common practice, no source). */
const HABIT_FROM = 2;

/** Movements that somebody took another shape of on the way in each of the last sessions that had them. `doneDays`: theirs, the oldest first. */
export function shapeHabits(details: readonly Detail[], doneDays: Days, library: MovementLibrary): ShapeHabit[] {
  const detailsOf = new Map(details.map((d) => [d.dayId, d.details]));
  // By the movement that was planned, what was done instead in each session, the oldest first; null where it was done as planned.
  const done = new Map<string, (string | null)[]>();
  for (const { dayId, facts } of doneDays)
    for (const name of facts?.movements ?? []) {
      const chosen = detailsOf.get(dayId)?.chosen ?? [];
      const own = chosen.find((c) => c.to !== '' && library.findByName(c.from)?.name === name);
      done.set(name, [...(done.get(name) ?? []), own?.to ?? null]);
    }
  return [...done].flatMap(([name, shapes]): ShapeHabit[] => {
    const to = shapes.at(-1);
    const others = shapes.findLastIndex((s) => s !== to);
    const times = shapes.length - 1 - others;
    const [before, after] = [library.findByName(name), to ? library.findByName(to) : undefined];
    if (!to || times < HABIT_FROM || !before || !after || before.isHold !== after.isHold) return [];
    return [
      {
        from: before.id,
        to: after.id,
        fromName: before.name,
        toName: after.name,
        times,
        isHarder: isHarder(before.id, after.id, library),
      },
    ];
  });
}

/** Whether a shape stands above another on a ladder; what no ladder tells apart is none. */
function isHarder(from: string, to: string, library: MovementLibrary): boolean {
  const movement = library.find(from);
  const ladder = movement && laddersWith(movement, library).find((l) => l.steps.some((s) => s.movementId === to));
  const at = (id: string) => ladder?.steps.findIndex((s) => s.movementId === id) ?? -1;
  return ladder !== undefined && at(to) > at(from);
}
