import type { Block, WorkItem } from '../document/document.ts';
import { withShape } from '../forms/clock-shape.ts';
import type { Shape } from '../forms/form.ts';
import { SHAPES } from '../forms/forms.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { usualDose } from '../movement/usual-dose.ts';
import { buildCoolDown, buildWarmUp } from './build-preparation.ts';
import type { SessionPlan } from './plan.ts';

/** A whole session to begin with, and to learn the writing from. */
export const EXAMPLE_SESSION = `Title: Quiet legs, strong back
Target: 20 min
Effort: 6

Warm-up: 2 rounds
6 wrist circle
8 chair squat

Main: every 1:00 for 16:00
10 squat
8 chair push-up

Cool-down: flow
0:30/side hip flexor stretch
0:30 child's pose
`;

/** The forms of a main block that are offered first, most used first (common practice, no source). */
export const FIRST_SHAPES: readonly Shape[] = ['every', 'rounds', 'intervals', 'amrap', 'for-time', 'pyramid'].flatMap(
  (id) => SHAPES.find((s) => s.id === id) ?? [],
);

/** What stands in a new main block until the coach has put in what is meant. */
const FIRST_MOVEMENTS = ['squat', 'push-up'];

/** A main block of a form, with two movements to be replaced. */
export function starterMain(shape: Shape, library: MovementLibrary): Block {
  const items = FIRST_MOVEMENTS.flatMap((id): WorkItem[] => {
    const movement = library.find(id);
    return movement
      ? [{ kind: 'work', dose: usualDose(movement), choices: [{ name: movement.name }], inTurn: false }]
      : [];
  });
  return withShape({ role: 'Main', time: { kind: 'flow' }, items }, shape);
}

/** A warm-up or a cool-down that fits what is written so far; where nothing is, one that suits anything. */
export const starterBlock = (
  role: 'Warm-up' | 'Cool-down',
  plan: Pick<SessionPlan, 'timeline'>,
  library: MovementLibrary,
): Block => (role === 'Warm-up' ? buildWarmUp(plan, library) : buildCoolDown(plan, library));
