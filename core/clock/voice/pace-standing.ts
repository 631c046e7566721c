import type { Stage } from '../stage.ts';

/**
 * How one stands to a mark of pace after so many rounds: `6 ahead`, `4 behind`, `on pace` where the mark lies in the round that is being
 * done. Empty where nothing was counted yet, or nobody knows what a round has.
 */
export function paceStanding(
  { paceMarks, asks }: Pick<Stage, 'paceMarks' | 'asks'>,
  atSec: number,
  taps: number,
): string {
  const wanted = paceMarks.find((m) => m.atSec === atSec)?.reps;
  const perRound = asks?.round?.at(-1)?.reps;
  if (wanted === undefined || perRound === undefined || taps === 0) return '';
  const [least, most] = [taps * perRound, (taps + 1) * perRound];
  if (wanted < least) return `${least - wanted} ahead`;
  return wanted >= most ? `${wanted - most + 1} behind` : 'on pace';
}
