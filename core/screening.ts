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
