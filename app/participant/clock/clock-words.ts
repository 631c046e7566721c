import { turnAt, turnWords } from '../../../core/clock/turns.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import type { ScoredBlock } from '../../../core/record/scores/score.ts';

/** Where in the block one is: set, round, window, whose turn it could be. */
export function placeWords(stage: Stage): string {
  return [
    ...(stage.sets > 1 ? [`set ${stage.set} of ${stage.sets}`] : []),
    ...(stage.round > 0 && stage.rounds > 1
      ? [
          `${stage.kind === 'span' ? '' : 'round '}${stage.round} of ${stage.rounds}${stage.optional ? ', if you like' : ''}`,
        ]
      : []),
  ].join(', ');
}

/** What the counting button says. */
export function tapWords(stage: Stage, taps: number): string {
  switch (stage.taps) {
    case 'set':
      return `One more set done: ${taps}`;
    case 'swap':
      return `${turnWords(turnAt(stage, taps)!, stage)}. Done, swap`;
    default:
      return `One more round done: ${taps}`;
  }
}

/** `7 whole rounds`: what the clock saw of a block, in words; empty where it saw nothing. */
export function seenWords(
  seen: Readonly<Record<string, string>>,
  scored: readonly ScoredBlock[],
  block: number,
): string {
  return scored
    .filter((s) => s.block === block)
    .flatMap((s) => s.fields.flatMap((f) => (seen[f.name] === undefined ? [] : [`${seen[f.name]} ${f.label}`])))
    .join(', ');
}
