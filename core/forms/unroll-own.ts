import { BARE_REST_SEC, DEFAULT_TEAM } from '../limits.ts';
import { addEstimates, CHANGE_OVER_SEC, exactly, scaleEstimate } from '../pace/pace.ts';
import { ownParts, restPart } from './dose-parts.ts';
import type { Span } from '../document/document.ts';
import type { Scope } from './form.ts';
import type { Step } from './step.ts';
import { betweenStep, makeStep, restStep } from './steps.ts';

/** Flow and own pace, with change-over between different movements, rests between, and a relay's waiting. */
export function unrollOwn(scope: Scope, span: Span): Step[] {
  const { block, library } = scope;
  const steps: Step[] = [];
  const others = block.relay ? (block.relay.teamSize ?? DEFAULT_TEAM) - 1 : 0;
  let lastMovement: string | null = null;
  for (let round = 1; round <= span.high; round++) {
    const optional = round > span.low;
    const pauses = (place: 'rounds' | 'items'): boolean => {
      const rest = betweenStep(scope, place, round, optional);
      if (rest) steps.push(rest);
      return rest !== undefined;
    };
    let roundSec = exactly(0);
    for (const [index, item] of block.items.entries()) {
      const first = round === 1 && index === 0;
      if (item.kind === 'rest') {
        const part = restPart(exactly(item.sec ?? BARE_REST_SEC), index, false);
        steps.push(makeStep(scope, 'rest', round, 'clock', [part], [index], { optional }));
        lastMovement = null;
        continue;
      }
      const parts = ownParts(item, index, block.count, round - 1, library);
      const movementId = parts[0]!.movementId;
      const paused = !first && (index === 0 ? pauses('rounds') : pauses('items'));
      if (!paused && lastMovement !== null && lastMovement !== movementId) {
        steps.push(restStep(scope, 'change-over', CHANGE_OVER_SEC, round, optional));
      }
      const timed = parts.every((p) => !p.estimated);
      const own = makeStep(scope, timed ? 'timed' : 'own', round, timed ? 'clock' : 'own', parts, [index], {
        optional,
      });
      steps.push(own);
      roundSec = addEstimates(roundSec, own.sec);
      lastMovement = movementId;
    }
    if (others > 0) {
      steps.push(restStep(scope, 'team-rest', scaleEstimate(roundSec, others), round, optional));
      lastMovement = null;
    }
  }
  return steps;
}
