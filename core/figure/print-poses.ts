import type { Figure } from './figure.ts';
import type { Field, Pose, Touch } from './pose.ts';
import { UPRIGHT } from './pose.ts';

/** The words of a pose, and the numbers behind each; those for limbs are said for each side. */
const GROUPS: readonly (readonly [word: string, fields: readonly string[], isSided: boolean])[] = [
  ['trunk', ['trunk', 'curl'], false],
  ['bend', ['bend'], false],
  ['twist', ['twist'], false],
  ['nod', ['nod', 'look'], false],
  ['leg', ['thigh', 'shank'], true],
  ['out', ['out', 'kneeOut'], true],
  ['point', ['point'], true],
  ['turn', ['turn'], true],
  ['arm', ['arm', 'fore'], true],
  ['armOut', ['armOut', 'foreOut'], true],
  ['lay', ['pitch', 'roll', 'yaw'], false],
  ['up', ['up'], false],
];

const isSame = (a: readonly Touch[], b: readonly Touch[]): boolean => JSON.stringify(a) === JSON.stringify(b);

const printTouch = ({ place, side, against, isSetDown }: Touch): string => {
  const name = place === 'toes' && side === undefined ? 'toes' : `${place}${side ?? ''}`;
  return `${name}${against === 'floor' ? '' : `@${against}`}${isSetDown ? '+' : ''}`;
};

/** Degrees are whole, heights in hundredths. */
const number = (value: number): string => String(Math.round(value * 100) / 100);

function printPose(pose: Pose, before: Pose): string {
  const words: string[] = [];
  for (const [word, stems, isSided] of GROUPS) {
    for (const side of isSided ? ['R', 'L'] : ['']) {
      const fields = stems.map((stem) => `${stem}${side}` as Field);
      if (fields.some((field) => pose.at[field] !== before.at[field]))
        words.push(`${word}${side}`, ...fields.map((field) => number(pose.at[field])));
    }
  }
  if (!isSame(pose.touches, before.touches) || pose.isLevel !== before.isLevel)
    words.push(...(pose.touches.length > 0 ? ['on', ...pose.touches.map(printTouch)] : ['air']));
  if (pose.isLevel && (!isSame(pose.touches, before.touches) || !before.isLevel)) words.push('level');
  if (pose.weight !== 1) words.push('takes', number(pose.weight));
  return words.join(' ');
}

/** A figure in the words that `readFigure` reads; read again it is the same. */
export function printFigure({ view, goesRound, alternates, travels, poses }: Figure): string {
  const head = [view, goesRound && 'round', alternates && 'alternates', travels && 'travels'].filter(Boolean).join(' ');
  return `${head} | ${poses.map((pose, i) => printPose(pose, poses[i - 1] ?? UPRIGHT)).join(' > ')}`;
}
