import type { FigureText, Motion, Posture } from '../../../core/figure/describe.ts';

const POSTURE_WORDS: Readonly<Record<Posture, string>> = {
  standing: 'standing',
  'standing on one leg': 'standing on one leg',
  squatting: 'a squat',
  'bent forwards': 'standing bent forwards',
  'in a split stance': 'one foot before the other',
  kneeling: 'kneeling',
  'half kneeling': 'kneeling on one knee',
  'on hands and knees': 'hands and knees',
  'on hands and feet': 'hands and feet',
  'on forearms and feet': 'forearms and feet',
  'on hands upside down': 'standing on the hands',
  'on the back': 'lying on the back',
  'on the belly': 'lying on the belly',
  'on the side': 'lying on the side',
  'on one hand and the feet': 'one arm and the feet',
  'sitting on a chair': 'sitting on a chair',
  'sitting on the floor': 'sitting on the floor',
  hanging: 'hanging by the hands',
  'in the air': 'the air',
};

/** What moves, and how: of both sides, and of one. */
const MOTION_WORDS: Readonly<Record<Motion['kind'], readonly [both: string, one: string]>> = {
  'knees bend': ['knees bend', 'knee bends'],
  'knees straighten': ['knees straighten', 'knee straightens'],
  'thighs lift': ['hips bend', 'hip bends'],
  'legs go back': ['hips open', 'hip opens'],
  'legs go out': ['legs go apart', 'leg goes out to the side'],
  'legs come in': ['legs come together', 'leg comes in'],
  'trunk leans': ['trunk leans forwards', 'trunk leans forwards'],
  'trunk comes up': ['trunk comes up', 'trunk comes up'],
  'trunk bends': ['trunk bends to the side', 'trunk bends to the side'],
  'trunk turns': ['trunk turns', 'trunk turns'],
  'back rounds': ['upper back rounds', 'upper back rounds'],
  'back arches': ['upper back arches', 'upper back arches'],
  'elbows bend': ['elbows bend', 'elbow bends'],
  'elbows straighten': ['elbows straighten', 'elbow straightens'],
  'arms go up': ['arms go up', 'arm goes up'],
  'arms come down': ['arms come down', 'arm comes down'],
  'heels lift': ['heels lift', 'heel lifts'],
  'body leaves the floor': ['both feet leave the floor', 'both feet leave the floor'],
};
const SIDE_WORDS = { R: 'right', L: 'left' } as const;
/** Within this of 90 degrees it is called a right angle. */
const NEAR_SQUARE_DEG = 15;
const BENDS: readonly Motion['kind'][] = ['knees bend', 'elbows bend', 'thighs lift'];

function motionWords({ kind, side, deg }: Motion): string {
  const [both, one] = MOTION_WORDS[kind];
  const angle = BENDS.includes(kind) && Math.abs(deg - 90) <= NEAR_SQUARE_DEG ? ' by a right angle' : '';
  const isSided = side !== undefined && both !== one;
  return `${isSided ? `${SIDE_WORDS[side]} ${one}` : both}${angle}`;
}

/** What a drawing shows, for those who don't see it: `From standing: knees bend by a right angle, trunk leans forwards.` */
export function figureWords({ from, through, motions, isHold }: FigureText): string {
  if (isHold || motions.length === 0) return `Held: ${POSTURE_WORDS[from]}.`;
  if (through.length > 2) return `From ${through.map((posture) => POSTURE_WORDS[posture]).join(', then ')}.`;
  return `From ${POSTURE_WORDS[from]}: ${motions.map(motionWords).join(', ')}.`;
}
