import type { MovementLibrary } from '../movement/library.ts';
import type { Area } from '../movement/movement.ts';
import { loadsWrists } from '../movement/movement.ts';
import { usualDose } from '../movement/usual-dose.ts';
import { computeAreaWork } from './area-work.ts';
import type { Block, Dose, WorkItem } from '../document/document.ts';
import type { SessionPlan } from './plan.ts';

/** What makes an area ready, and what rehearses it (common practice, no source: range of motion first, then what resembles the main work). */
const GET_READY: Record<Area, readonly string[]> = {
  legs: ['leg-swing', 'chair-squat'],
  'hips and back': ['kneeling-hip-opener', 'hip-hinge'],
  push: ['arm-circle', 'wall-push-up'],
  pull: ['shoulder-roll', 'roll-down'],
  trunk: ['cat-and-cow', 'bird-dog'],
  'heart and lungs': ['ankle-rock', 'march'],
  mobility: ['shoulder-roll', 'march'],
};
/** The tight places of the day, held 10 to 30 s after (common practice, no source). */
const COME_DOWN: Record<Area, readonly string[]> = {
  legs: ['hip-flexor-stretch', 'calf-stretch'],
  'hips and back': ['figure-four-stretch', 'child-s-pose'],
  push: ['doorway-chest-stretch'],
  pull: ['side-stretch'],
  trunk: ['child-s-pose', 'side-stretch'],
  'heart and lungs': ['calf-stretch'],
  mobility: ['calm-breathing'],
};
const STRETCH_SEC = 30;

function topAreas(plan: Pick<SessionPlan, 'timeline'>, library: MovementLibrary, count: number): Area[] {
  const areas = computeAreaWork(plan, library)
    .map((a) => a.area)
    .filter((a) => a !== 'mobility');
  return (areas.length > 0 ? areas : (['mobility'] as Area[])).slice(0, count);
}

function toItems(ids: readonly string[], library: MovementLibrary, dose: (id: string) => Dose | undefined): WorkItem[] {
  return [...new Set(ids)].flatMap((id): WorkItem[] => {
    const movement = library.find(id);
    if (!movement) return [];
    return [{ kind: 'work', dose: dose(id) ?? usualDose(movement), choices: [{ name: movement.name }], inTurn: false }];
  });
}

/** True where the work of a plan rests on bent wrists at all. */
const leansOnWrists = (plan: Pick<SessionPlan, 'timeline'>, library: MovementLibrary): boolean =>
  plan.timeline.some((s) =>
    (s.expected ?? [s]).some((p) => {
      const movement = p.movementId === null ? undefined : library.find(p.movementId);
      return movement !== undefined && loadsWrists(movement);
    }),
  );

/** Two rounds that fit the main work: wrists where they will be leant on, range of motion, then what resembles it. */
export function buildWarmUp(plan: Pick<SessionPlan, 'timeline'>, library: MovementLibrary): Block {
  const ids = [
    ...(leansOnWrists(plan, library) ? ['wrist-circle'] : []),
    ...topAreas(plan, library, 2).flatMap((a) => GET_READY[a]),
  ];
  return {
    role: 'Warm-up',
    time: { kind: 'own', forTime: false },
    rounds: { low: 2, high: 2 },
    items: toItems(ids, library, () => undefined),
  };
}

/** Stretches for what was worked most, once through. */
export function buildCoolDown(plan: Pick<SessionPlan, 'timeline'>, library: MovementLibrary): Block {
  const ids = topAreas(plan, library, 3)
    .flatMap((a) => COME_DOWN[a])
    .slice(0, 4);
  const dose = (id: string): Dose => ({
    kind: 'time',
    amountSec: { kind: 'fixed', value: STRETCH_SEC },
    ...(library.find(id)?.isOneSided && { sides: 'each' as const }),
  });
  return { role: 'Cool-down', time: { kind: 'flow' }, items: toItems(ids, library, dose) };
}
