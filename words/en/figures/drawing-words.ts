import type { Fault } from '../../../core/figure/check.ts';
import type { OwnDrawing } from '../../../core/figure/own-drawing.ts';
import type { Handle } from '../../../core/figure/turn-joint.ts';
import { MAX_OWN_POSES } from '../../../core/figure/own-drawing.ts';

const JOINTS: Readonly<Record<string, string>> = {
  knee: 'knee',
  elbow: 'elbow',
  hipForward: 'hip',
  hipOut: 'hip, to the side,',
  ankle: 'ankle',
};
const TRUNK: Readonly<Record<string, string>> = {
  trunkCurl: 'The upper back bends',
  trunkBend: 'The trunk bends to the side',
  trunkTwist: 'The trunk turns',
};

/** `kneeR` as the right knee. */
function jointWords(joint: string): string {
  const side = joint.endsWith('R') ? 'right ' : joint.endsWith('L') ? 'left ' : '';
  const stem = side ? joint.slice(0, -1) : joint;
  return `The ${side}${JOINTS[stem] ?? stem}`;
}

const PARTS: Readonly<Record<Handle['part'], string>> = {
  trunk: 'trunk',
  head: 'head',
  thigh: 'thigh',
  shank: 'shin',
  arm: 'upper arm',
  fore: 'forearm',
};

/** What a joint turns: `right upper arm`. */
export const handleWords = ({ part, side }: Handle): string =>
  [side && (side === 'R' ? 'right' : 'left'), PARTS[part]].filter(Boolean).join(' ');

/** What a body can't do of a drawing, in words. */
export function faultWords(fault: Fault): string {
  switch (fault.kind) {
    case 'range':
      return `${TRUNK[fault.joint] ?? `${jointWords(fault.joint)} bends`} ${Math.round(fault.deg)}°, further than it goes.`;
    case 'floor':
      return `${jointWords(fault.point)} is below the floor.`;
    case 'touch':
      return 'A hand or foot doesn’t reach what it should stay on.';
    case 'trunk':
      return `${jointWords(fault.point)} is within the trunk.`;
    case 'balance':
      return 'The body would fall over.';
    case 'length':
      return 'A limb changes its length.';
  }
}

/** Why a drawing isn’t kept, and what to do; empty where it is. */
export function drawingWords(drawing: OwnDrawing): string {
  switch (drawing.status) {
    case 'drawn':
      return '';
    case 'unread':
      return `“${drawing.word}” can’t be read in the drawing; change it, or begin again from its name.`;
    case 'too-many':
      return `A drawing has at most ${MAX_OWN_POSES} poses; take one out.`;
    case 'faulty':
      return `${[...new Set(drawing.faults.map(faultWords))].slice(0, 3).join(' ')} Change the pose.`;
  }
}
