/**
 * Notes of care that stand on every participant's session. Cautions, never a diagnosis: licensed practice and
 * local rules decide (docs/formulas.md 6, from memory; usual cautions of the trade).
 */
export const CARE_NOTES = {
  before:
    'If you have a heart, metabolic or kidney condition, symptoms, a pregnancy, a recent operation or injury, or have not moved for long: ask a clinician before you start.',
  stop: 'Stop and get help for pressure in the chest, arm or jaw, fainting, unusual breathlessness, a racing heart, confusion or new weakness.',
  pain: 'Pain is not effort: sharp, joint, radiating or growing pain ends that movement. Swap it or leave it out.',
  kit: 'A sturdy chair against the wall, never a sofa; the whole foot on a step. Water within reach.',
} as const;

/** Asked before starting (screening in outline, from memory: ACSM 2015). One yes: see a clinician first. Licensed practice and local rules decide. */
export const SCREENING_QUESTIONS = [
  'a heart, metabolic or kidney condition that you know of',
  'pressure in the chest, fainting, unusual breathlessness or palpitations, at rest or when you move',
  'a pregnancy, or a birth in the last months',
  'an operation or an injury in the last months',
  'no regular movement for a long time',
] as const;

export type CareState = 'not-asked' | 'clear' | 'wait' | 'seen';

/** What follows from the answers; undefined where not all were given. A clinician having been seen goes before a yes. */
export function judgeScreening(
  answers: readonly ('yes' | 'no' | undefined)[],
  hasSeenClinician: boolean,
): CareState | undefined {
  if (answers.length !== SCREENING_QUESTIONS.length || answers.some((a) => a === undefined)) return undefined;
  if (!answers.includes('yes')) return 'clear';
  return hasSeenClinician ? 'seen' : 'wait';
}
