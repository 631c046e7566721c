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
