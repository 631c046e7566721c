import { kitKey } from '../kit.ts';
import type { Movement } from '../movement.ts';
import type { Change, Modifier } from './modifier.ts';

/** Kit that is a weight: one may be had in place of another, and it makes a movement without it harder. */
export const WEIGHTS = ['weight', 'bottle', 'dumbbell', 'kettlebell', 'barbell', 'plate', 'medicine ball', 'sandbag'];
export const isWeight = (piece: string): boolean => WEIGHTS.includes(kitKey(piece));
export const hasWeight = (m: Movement): boolean => m.kit.some(isWeight);

// Kinds of heads, by what the shelf says of them.
const any = () => true;
const isStill = (m: Movement) => m.pattern === 'mobility' && m.isHold;
const isWork = (m: Movement) => m.pattern !== 'mobility';
export const isLegs = (m: Movement) => m.pattern === 'squat' || m.pattern === 'lunge';
const isStanding = (m: Movement) => m.position === 'standing';
const isFoot = (m: Movement) => isStanding(m) && (isLegs(m) || m.pattern === 'hinge');
const isLying = (m: Movement) => m.position === 'supine' || m.position === 'prone';
const isArms = (m: Movement) => ['press', 'pull', 'push', 'carry'].includes(m.pattern);
/** The hands bear the body: push-ups, planks, climbers. */
const isOnHands = (m: Movement) =>
  (m.position === 'prone' || m.position === 'hands-and-knees') &&
  m.demand.shoulder >= 1 &&
  !hasWeight(m) &&
  ['push', 'brace', 'locomotion', 'jump', 'press', 'rotate'].includes(m.pattern);
const isPushUp = (m: Movement) => m.pattern === 'push' && m.position === 'prone';
const goesDown = (m: Movement) => m.pattern === 'jump' && m.demand.wrist >= 2 && isStanding(m);
const isBridge = (m: Movement) => m.pattern === 'hinge' && m.position === 'supine';
const isMoving = (m: Movement) => m.pattern === 'locomotion' || m.pattern === 'jump';
const isUpright = (m: Movement) => isStanding(m) && m.impact === 0;
const isWeighted = (m: Movement) =>
  hasWeight(m) || m.kit.some((k) => ['band', 'loop band', 'cable machine'].includes(kitKey(k)));

const implement = (
  id: string,
  words: readonly string[],
  says: string,
  change: Change,
  takes: (m: Movement) => boolean = isWork,
): Modifier => ({ id, family: 'implement', name: words[0]!, words, says, takes, change: () => change });

const IMPLEMENTS: readonly Modifier[] = [
  implement('dumbbell', ['dumbbell', 'with dumbbells', 'with a dumbbell'], 'with dumbbells', { weight: 'dumbbell' }),
  implement('kettlebell', ['kettlebell', 'with a kettlebell', 'with kettlebells'], 'with a kettlebell', {
    weight: 'kettlebell',
  }),
  implement('barbell', ['barbell', 'with a barbell', 'with a bar', 'with the bar'], 'with a barbell', {
    weight: 'barbell',
    weights: 1,
  }),
  implement('plate', ['plate', 'with a plate', 'weight plate'], 'with a plate', { weight: 'plate', weights: 1 }),
  implement('medicine-ball', ['medicine ball', 'with a medicine ball', 'slam ball', 'ball'], 'with a medicine ball', {
    weight: 'medicine ball',
    weights: 1,
  }),
  implement('sandbag', ['sandbag', 'with a sandbag', 'sand bag'], 'with a sandbag', { weight: 'sandbag', weights: 1 }),
  implement(
    'bottle',
    ['bottle', 'with bottles', 'with a bottle', 'water bottle', 'with water bottles'],
    'with bottles',
    { weight: 'bottle' },
  ),
  implement(
    'weighted',
    ['weighted', 'with weight', 'with weights', 'with a weight', 'loaded', 'free weight', 'hand weight'],
    'with weights',
    { weight: 'weight' },
  ),
  {
    id: 'band',
    family: 'implement',
    name: 'band',
    words: [
      'band',
      'with a band',
      'with the band',
      'resistance band',
      'with a resistance band',
      'mini band',
      'with a mini band',
      'loop band',
      'with a loop band',
      'band resisted',
    ],
    says: 'with a band',
    takes: (m) => m.position !== 'hanging',
    change: (m) =>
      isWeighted(m)
        ? { weight: 'band', weights: 1 }
        : m.pattern === 'mobility'
          ? { kit: 'band' }
          : {
              kit: isArms(m) ? 'band' : 'loop band',
              effort: 1,
              pace: 1.1,
              least: isArms(m) ? { wrist: 1, shoulder: 1 } : { hip: 1 },
            },
  },
  implement(
    'goblet',
    ['goblet', 'goblet hold', 'front held'],
    'with a weight at the chest',
    { weight: 'weight', weights: 1, least: { wrist: 1, shoulder: 1 } },
    isFoot,
  ),
  implement(
    'rack',
    ['front rack', 'rack', 'racked', 'front loaded'],
    'with weights at the shoulders',
    { weight: 'weight', least: { wrist: 1, shoulder: 1, back: 1 } },
    (m) => isFoot(m) || m.pattern === 'carry',
  ),
  implement(
    'suitcase',
    ['suitcase', 'farmer'],
    'with weights beside the legs',
    { weight: 'weight', least: { wrist: 1 } },
    (m) => isFoot(m) || m.pattern === 'locomotion',
  ),
  {
    id: 'overhead',
    family: 'implement',
    name: 'overhead',
    words: ['overhead', 'waiter', 'with arms overhead'],
    says: 'with the arms overhead',
    takes: (m) => isFoot(m) || m.pattern === 'carry' || m.pattern === 'locomotion' || m.pattern === 'rotate',
    change: () => ({ overhead: true, least: { shoulder: 2 }, effort: 1 }),
  },
  implement(
    'machine',
    ['machine', 'cable', 'smith machine', 'on a machine', 'on the machine', 'on the cable'],
    'on a machine',
    { weight: 'cable machine', weights: 1 },
    (m) => isWork(m) && !isMoving(m),
  ),
  {
    id: 'slider',
    family: 'implement',
    name: 'sliding',
    words: [
      'sliding',
      'slider',
      'slide',
      'with sliders',
      'with a slider',
      'on sliders',
      'glider',
      'on gliders',
      'with a towel under the foot',
    ],
    says: 'on sliders',
    takes: (m) => isLegs(m) || isOnHands(m) || isBridge(m),
    change: () => ({ kit: 'slider', effort: 1, more: { hip: 1 } }),
  },
  implement('towel', ['towel', 'with a towel'], 'with a towel', { kit: 'towel' }, any),
  implement(
    'stick',
    ['stick', 'with a stick', 'broomstick', 'dowel', 'with a broomstick'],
    'with a stick',
    { kit: 'stick' },
    any,
  ),
  implement('rope', ['rope', 'with a rope'], 'with a rope', { kit: 'rope' }, (m) => isMoving(m) || isArms(m)),
  implement(
    'roller',
    ['roller', 'foam roller', 'on a roller', 'on a foam roller', 'with a foam roller'],
    'on a roller',
    { kit: 'roller' },
    any,
  ),
  {
    id: 'exercise-ball',
    family: 'implement',
    name: 'exercise ball',
    words: [
      'exercise ball',
      'stability ball',
      'gym ball',
      'on a ball',
      'on an exercise ball',
      'on a stability ball',
      'with a stability ball',
    ],
    says: 'on an exercise ball',
    takes: (m) => isLying(m) || m.position === 'seated',
    change: () => ({ kit: 'exercise ball', effort: 1, more: { back: 1 } }),
  },
  implement(
    'strap',
    ['suspension', 'suspended', 'ring', 'strap', 'in straps', 'on rings'],
    'in straps',
    { kit: 'strap', effort: 1, more: { shoulder: 1 } },
    (m) => isOnHands(m) || isArms(m) || isBridge(m),
  ),
  implement(
    'box',
    ['box', 'on a box', 'with a box', 'off a box'],
    'with a box',
    { kit: 'box' },
    (m) => isLegs(m) || isMoving(m),
  ),
  implement(
    'step',
    ['step', 'on a step', 'off a step', 'on the stair', 'on a stair', 'off the stair'],
    'on a step',
    { kit: 'step' },
    (m) => isFoot(m) || isMoving(m) || isOnHands(m),
  ),
];

/** The hands on something raised: the body is nearer to standing. */
const HANDS_RAISED: Change = {
  kit: 'chair',
  position: 'standing',
  floor: false,
  effort: -1,
  more: { neck: -1, knee: -1, hip: -1 },
};
const AT_THE_WALL: Change = {
  kit: 'wall',
  position: 'standing',
  floor: false,
  effort: -2,
  most: { wrist: 1, elbow: 1, shoulder: 1, neck: 0, back: 1, hip: 1, knee: 1, ankle: 1 },
  impact: 0,
  noise: 0,
};

const SUPPORTS: readonly Modifier[] = [
  {
    id: 'wall',
    family: 'support',
    name: 'wall',
    words: [
      'wall',
      'at the wall',
      'against a wall',
      'against the wall',
      'on the wall',
      'on a wall',
      'with a wall',
      'wall supported',
    ],
    says: 'at a wall',
    eases: true,
    off: 'away from the wall',
    takes: (m) => !m.isHold || isOnHands(m) || m.pattern === 'mobility',
    change: (m) => (isOnHands(m) || goesDown(m) ? AT_THE_WALL : { kit: 'wall' }),
  },
  {
    id: 'incline',
    family: 'support',
    name: 'incline',
    words: [
      'incline',
      'inclined',
      'hands raised',
      'raised',
      'hands on a chair',
      'on a chair',
      'chair',
      'desk',
      'counter',
      'table',
      'hands on a bench',
      'hands on a step',
      'from a chair',
    ],
    says: 'hands on a chair',
    eases: true,
    off: 'hands lower',
    easier: ['wall'],
    takes: (m) => isOnHands(m) || goesDown(m),
    change: () => HANDS_RAISED,
  },
  {
    id: 'incline-bench',
    family: 'support',
    name: 'incline',
    words: ['incline', 'inclined', 'on an incline bench', 'incline bench'],
    says: 'on a slanted bench',
    takes: (m) => !isOnHands(m) && isArms(m) && hasWeight(m),
    change: () => ({ kit: 'bench', position: 'seated', floor: false, more: { shoulder: 1 } }),
  },
  {
    id: 'decline',
    family: 'support',
    name: 'feet-raised',
    words: [
      'decline',
      'feet raised',
      'feet up',
      'with feet raised',
      'feet on a chair',
      'feet on a bench',
      'feet on a step',
      'rear foot raised',
      'raised',
    ],
    says: 'feet on a chair',
    takes: (m) => isOnHands(m) || isBridge(m) || (isLegs(m) && m.isOneSided) || (m.pattern === 'push' && isLying(m)),
    change: (m) =>
      isOnHands(m)
        ? { kit: 'chair', effort: 1, more: { wrist: 1, shoulder: 1, neck: 1 } }
        : { kit: 'chair', effort: 1, more: { hip: 1, back: 1 } },
  },
  {
    id: 'knees',
    family: 'support',
    name: 'knee',
    words: [
      'knee',
      'on the knee',
      'on your knee',
      'from the knee',
      'kneeling',
      'on knee',
      'from knee',
      'modified',
      'bent knee',
    ],
    says: 'on the knees',
    eases: true,
    off: 'from the toes',
    easier: ['incline', 'wall'],
    takes: (m) =>
      isOnHands(m) && m.position !== 'hanging' && m.position !== 'hands-and-knees' && m.impact === 0 && !isMoving(m),
    change: () => ({ position: 'kneeling', floor: true, effort: -1, more: { back: -1, hip: -1 }, least: { knee: 1 } }),
  },
  {
    id: 'kneeling',
    family: 'support',
    name: 'kneeling',
    words: ['kneeling', 'tall kneeling', 'on the knee', 'on your knee'],
    says: 'kneeling',
    takes: (m) => (isStanding(m) || m.position === 'seated') && m.impact === 0 && !isLegs(m),
    change: () => ({ position: 'kneeling', floor: true, least: { knee: 1 }, most: { ankle: 1 } }),
  },
  {
    id: 'half-kneeling',
    family: 'support',
    name: 'half-kneeling',
    words: ['half kneeling', 'half kneel', 'on single knee'],
    says: 'half kneeling',
    takes: (m) => isStanding(m) && m.impact === 0 && !isLegs(m),
    change: () => ({
      position: 'kneeling',
      floor: true,
      sides: 'one at a time',
      least: { knee: 1 },
      most: { ankle: 1 },
    }),
  },
  {
    id: 'seated',
    family: 'support',
    name: 'seated',
    words: [
      'seated',
      'sitting',
      'chair',
      'in a chair',
      'on a chair',
      'while seated',
      'sitting down',
      'chair based',
      'desk',
      'at the desk',
      'at your desk',
    ],
    says: 'seated',
    eases: true,
    off: 'standing',
    takes: (m) =>
      (m.pattern === 'mobility' && !m.isHold) ||
      (!m.isOnFloor && isStanding(m) && m.impact === 0 && !isLegs(m) && m.pattern !== 'hinge' && m.pattern !== 'carry'),
    change: () => ({ position: 'seated', floor: false, effort: -1, most: { hip: 1, knee: 0, ankle: 0 } }),
  },
  {
    id: 'standing',
    family: 'support',
    name: 'standing',
    words: ['standing', 'stood', 'while standing'],
    says: 'standing',
    takes: (m) =>
      isStanding(m) ||
      (m.position === 'seated' && !m.isOnFloor) ||
      (isArms(m) && isWeighted(m)) ||
      m.pattern === 'mobility',
    change: (m) => (isStanding(m) ? {} : { position: 'standing', floor: false, least: { ankle: 1 } }),
  },
  {
    id: 'lying',
    family: 'support',
    name: 'lying',
    words: ['lying', 'supine', 'lying down', 'on your back', 'on the back', 'floor', 'on the floor'],
    says: 'lying on the back',
    takes: (m) => (isStanding(m) || m.position === 'seated' || m.position === 'supine') && m.impact === 0 && !isFoot(m),
    change: () => ({ position: 'supine', floor: true, most: { hip: 2, knee: 1, ankle: 0 } }),
  },
  {
    id: 'prone',
    family: 'support',
    name: 'prone',
    words: ['prone', 'on your front', 'on your belly', 'on the belly', 'face down', 'chest supported'],
    says: 'lying on the front',
    takes: (m) => (isArms(m) && !isOnHands(m)) || m.pattern === 'mobility' || (isLegs(m) && m.impact === 0),
    change: () => ({ position: 'prone', floor: true, least: { neck: 1, back: 1 }, most: { knee: 1, ankle: 0 } }),
  },
  {
    id: 'side-lying',
    family: 'support',
    name: 'side-lying',
    words: ['side lying', 'lying on the side', 'on your side', 'on the side'],
    says: 'lying on the side',
    takes: (m) => (!isOnHands(m) && m.impact === 0 && !isFoot(m)) || m.pattern === 'mobility',
    change: () => ({
      position: 'supine',
      floor: true,
      sides: 'one at a time',
      least: { neck: 1 },
      most: { knee: 1, ankle: 0 },
    }),
  },
  {
    id: 'bench',
    family: 'support',
    name: 'bench',
    words: ['bench', 'on a bench', 'on the bench', 'with a bench', 'flat bench'],
    says: 'on a bench',
    takes: (m) => (isArms(m) && !isOnHands(m)) || isFoot(m) || isBridge(m),
    change: (m) => (isArms(m) && isLying(m) ? { kit: 'bench', floor: false } : { kit: 'bench' }),
  },
  {
    id: 'held',
    family: 'support',
    name: 'held',
    words: [
      'held',
      'supported',
      'assisted',
      'chair supported',
      'chair assisted',
      'holding a chair',
      'holding on',
      'with support',
      'with a chair',
      'band assisted',
      'hand supported',
      'with assistance',
      'holding on to a chair',
      'holding a wall',
    ],
    says: 'holding on',
    eases: true,
    off: 'hands free',
    takes: (m) =>
      isFoot(m) || (m.pattern === 'locomotion' && isUpright(m)) || (m.pattern === 'mobility' && isStanding(m)),
    change: () => ({ kit: 'chair', effort: -1, most: { back: 1, hip: 1, knee: 1, ankle: 1 } }),
  },
  {
    id: 'assisted',
    family: 'support',
    name: 'assisted',
    words: ['assisted', 'band assisted', 'supported', 'with assistance', 'with help', 'band', 'with a band'],
    says: 'with a band that helps',
    eases: true,
    off: 'without help',
    takes: (m) => m.position === 'hanging',
    change: () => ({ kit: 'band', effort: -1, more: { elbow: -1 } }),
  },
  {
    id: 'forearm',
    family: 'support',
    name: 'forearm',
    words: ['forearm', 'on the forearm', 'on forearm', 'on your forearm', 'elbow', 'on the elbow', 'on your elbow'],
    says: 'on the forearms',
    takes: (m) => isOnHands(m) && m.pattern !== 'push' && m.demand.wrist >= 1,
    change: () => ({ most: { wrist: 0 }, least: { elbow: 1, shoulder: 2 } }),
  },
];

const STANCES: readonly Modifier[] = [
  {
    id: 'sumo',
    family: 'stance',
    name: 'sumo',
    words: ['sumo', 'wide stance', 'plie'],
    says: 'feet wide',
    takes: isFoot,
    change: () => ({ least: { hip: 2 } }),
  },
  {
    id: 'wide',
    family: 'stance',
    name: 'wide',
    words: ['wide', 'wide grip', 'wide leg', 'wide hand'],
    says: 'wide',
    takes: (m) => isFoot(m) || isOnHands(m) || isArms(m),
    change: (m) => (isOnHands(m) ? { more: { shoulder: 1 } } : isFoot(m) ? { least: { hip: 2 } } : {}),
  },
  {
    id: 'close',
    family: 'stance',
    name: 'close',
    words: ['close', 'narrow', 'close grip', 'narrow grip', 'narrow stance', 'feet together', 'close stance'],
    says: 'narrow',
    takes: (m) => isFoot(m) || isOnHands(m) || isArms(m),
    change: (m) =>
      isOnHands(m)
        ? { effort: 1, more: { wrist: 1, elbow: 1 } }
        : isFoot(m)
          ? { more: { knee: 1 } }
          : { more: { elbow: 1 } },
  },
  {
    id: 'staggered',
    family: 'stance',
    name: 'staggered',
    words: ['staggered', 'split stance', 'kickstand', 'b stance', 'staggered stance', 'offset'],
    says: 'one foot or hand in front',
    takes: (m) => isFoot(m) || isOnHands(m) || isArms(m),
    change: (m) => ({ sides: 'one at a time', ...(isOnHands(m) && { more: { shoulder: 1 } }) }),
  },
  {
    id: 'split',
    family: 'stance',
    name: 'split',
    words: ['split'],
    says: 'in a split stance',
    takes: (m) => isFoot(m) || isMoving(m) || m.pattern === 'press',
    change: () => ({ sides: 'one at a time', more: { knee: 1 } }),
  },
  {
    id: 'heels-raised',
    family: 'stance',
    name: 'heels-raised',
    words: ['heel raised', 'heels up', 'tiptoe', 'on the toe', 'on tiptoe', 'toe'],
    says: 'heels raised',
    takes: isFoot,
    change: () => ({ more: { ankle: 1, knee: 1 } }),
  },
];

const DIRECTIONS: readonly Modifier[] = [
  {
    id: 'forward',
    family: 'direction',
    name: 'forward',
    words: ['forward', 'front'],
    says: 'forward',
    takes: (m) => isLegs(m) || isMoving(m) || m.pattern === 'mobility',
    change: () => ({}),
  },
  {
    id: 'reverse',
    family: 'direction',
    name: 'reverse',
    words: ['reverse', 'back', 'backward', 'step back', 'rear', 'behind'],
    says: 'backward',
    takes: (m) => m.pattern === 'lunge' || isMoving(m),
    change: () => ({}),
  },
  {
    id: 'side',
    family: 'direction',
    name: 'side',
    words: ['side', 'lateral', 'sideways', 'side to side'],
    says: 'to the side',
    takes: (m) => isLegs(m) || isMoving(m),
    change: (m) => ({ least: m.impact > 0 ? { hip: 2, ankle: 2 } : { hip: 1, ankle: 1 } }),
  },
  {
    id: 'diagonal',
    family: 'direction',
    name: 'diagonal',
    words: ['diagonal', 'diagonally', 'at an angle'],
    says: 'at a slant',
    takes: (m) => isLegs(m) || isMoving(m) || m.pattern === 'rotate' || m.pattern === 'mobility',
    change: (m) => (m.pattern === 'mobility' ? {} : { least: { hip: 1 } }),
  },
  {
    id: 'curtsy',
    family: 'direction',
    name: 'curtsy',
    words: ['curtsy', 'crossover', 'cross behind'],
    says: 'crossing behind',
    takes: (m) => isLegs(m),
    change: () => ({ least: { hip: 3, knee: 2, ankle: 2 }, sides: 'one at a time' }),
  },
  {
    id: 'walking',
    family: 'direction',
    name: 'walking',
    words: ['walking', 'travelling', 'traveling', 'moving'],
    says: 'moving on',
    takes: (m) => isLegs(m) || isOnHands(m) || m.pattern === 'hinge',
    change: () => ({ effort: 1, least: { ankle: 1 } }),
  },
  {
    id: 'on-the-spot',
    family: 'direction',
    name: 'on the spot',
    isBehind: true,
    words: ['on the spot', 'in place', 'stationary', 'static', 'on spot'],
    says: 'on the spot',
    takes: (m) => isMoving(m) || isLegs(m),
    change: () => ({}),
  },
  {
    id: 'cross-body',
    family: 'direction',
    name: 'cross-body',
    words: ['cross body', 'crossbody', 'cross', 'opposite', 'twisting', 'rotational', 'rotating'],
    says: 'across the body',
    takes: (m) => m.pattern !== 'carry' && !isStill(m),
    change: () => ({ more: { back: 1 } }),
  },
];

const grip = (id: string, words: readonly string[], says: string): Modifier => ({
  id,
  family: 'grip',
  name: words[0]!,
  words,
  says,
  takes: (m) => isArms(m) || m.pattern === 'hinge',
  change: () => ({}),
});
const GRIPS: readonly Modifier[] = [
  grip('hammer', ['hammer', 'neutral grip', 'neutral', 'palms in', 'hammer grip'], 'palms facing each other'),
  grip('underhand', ['underhand', 'underhand grip', 'supinated', 'palms up', 'chin grip'], 'palms up'),
  grip('overhand', ['overhand', 'overhand grip', 'pronated', 'palms down'], 'palms down'),
  grip('reverse-grip', ['reverse grip', 'reverse'], 'with the grip turned'),
];

const RANGES: readonly Modifier[] = [
  {
    id: 'short',
    family: 'range',
    name: 'short',
    words: ['short', 'shorter', 'brief'],
    says: 'for half as long',
    eases: true,
    off: 'twice as long',
    takes: (m) => isWork(m) && m.isHold,
    change: (m) => ({
      effort: -1,
      paceSec: { low: m.paceSec.low / 2, likely: m.paceSec.likely / 2, high: m.paceSec.high / 2 },
    }),
  },
  {
    id: 'half',
    family: 'range',
    name: 'half',
    words: ['half', 'partial', 'mini', 'small', 'shallow', 'quarter', 'half way', 'short'],
    says: 'half the way',
    eases: true,
    off: 'all the way',
    takes: (m) => isWork(m) && !m.isHold,
    change: (m) => ({ effort: -1, pace: 0.8, more: isFoot(m) ? { knee: -1, hip: -1 } : {} }),
  },
  {
    id: 'deep',
    family: 'range',
    name: 'deep',
    words: ['deep', 'full depth', 'full range', 'ass to grass', 'low', 'deficit'],
    says: 'all the way down',
    easier: ['half'],
    takes: (m) => isFoot(m) || isPushUp(m) || m.pattern === 'mobility',
    change: (m) =>
      m.pattern === 'mobility'
        ? {}
        : isPushUp(m)
          ? { effort: 1, more: { shoulder: 1, elbow: 1 } }
          : { effort: 1, pace: 1.15, more: { knee: 1, hip: 1, ankle: 1 } },
  },
  {
    id: 'one-and-a-half',
    family: 'range',
    name: 'one-and-a-half',
    words: ['single and a half', 'one and a half', '1.5', 'single and half'],
    says: 'and half again',
    takes: (m) => isWork(m) && !m.isHold && !isMoving(m),
    change: () => ({ effort: 1, pace: 1.6 }),
  },
];

/** A hold lasts as long as others of its kind (common practice, no source). */
const HELD: Movement['paceSec'] = { low: 10, likely: 20, high: 40 };

const RHYTHMS: readonly Modifier[] = [
  {
    id: 'slow',
    family: 'rhythm',
    name: 'slow',
    words: ['slow', 'slowly', 'tempo', 'slow motion', 'controlled', 'slow tempo', 'slow and controlled'],
    says: 'slowly',
    takes: (m) => !m.isHold && m.impact < 2,
    change: () => ({ pace: 1.8 }),
  },
  {
    id: 'pause',
    family: 'rhythm',
    name: 'pause',
    words: ['pause', 'paused', 'with a pause', 'with pause'],
    says: 'with a pause',
    takes: (m) => isWork(m) && !m.isHold,
    change: () => ({ pace: 1.5 }),
  },
  {
    id: 'lowering',
    family: 'rhythm',
    name: 'lowering',
    isBehind: true,
    words: ['lowering', 'lowering only', 'negative', 'eccentric', 'down only', 'eccentric only'],
    says: 'only the way down',
    eases: true,
    off: 'up as well',
    takes: (m) => isWork(m) && !m.isHold && !isMoving(m),
    change: () => ({ paceSec: { low: 4, likely: 5, high: 7 }, effort: -1 }),
  },
  {
    id: 'explosive',
    family: 'rhythm',
    name: 'explosive',
    words: ['explosive', 'power', 'fast', 'quick', 'speed', 'dynamic', 'rapid'],
    says: 'quickly',
    easier: ['slow'],
    takes: (m) => !m.isHold,
    change: (m) =>
      m.pattern === 'mobility'
        ? { pace: 0.8 }
        : { pace: 0.8, effort: 1, ...(isPushUp(m) && { more: { wrist: 1, elbow: 1 } }) },
  },
  {
    id: 'jump',
    family: 'rhythm',
    name: 'jump',
    words: ['jump', 'jumping', 'jumped', 'plyo', 'with a jump', 'hop', 'hopping', 'leap', 'leaping'],
    says: 'with a jump',
    takes: (m) => isFoot(m) || isPushUp(m) || (m.pattern === 'locomotion' && isStanding(m)) || m.pattern === 'jump',
    change: (m) =>
      isPushUp(m)
        ? { effort: 1, impact: 2, noise: 2, more: { wrist: 1, elbow: 1 } }
        : {
            pattern: 'jump',
            effort: 2,
            impact: 3,
            noise: 3,
            more: { knee: 1, ankle: 2 },
            least: { knee: 2, ankle: 3 },
          },
  },
  {
    id: 'pulse',
    family: 'rhythm',
    name: 'pulse',
    isBehind: true,
    words: ['pulse', 'pulsing', 'pulsed', 'with a pulse', 'bounce', 'small pulse', 'bouncing'],
    says: 'in small pulses',
    takes: (m) => isWork(m) && !m.isHold && m.impact === 0,
    change: () => ({ paceSec: { low: 0.7, likely: 1, high: 1.4 } }),
  },
  {
    id: 'hold',
    family: 'rhythm',
    name: 'hold',
    isBehind: true,
    words: ['hold', 'iso', 'iso hold', 'holding', 'static hold', 'freeze', 'with a hold', 'bottom hold'],
    says: 'held still',
    takes: (m) => !isMoving(m),
    change: (m) => (m.isHold ? {} : { counted: 'hold', paceSec: HELD, impact: 0, noise: 0 }),
  },
  {
    id: 'march',
    family: 'rhythm',
    name: 'march',
    isBehind: true,
    words: ['march', 'marching'],
    says: 'foot by foot',
    takes: (m) => isBridge(m) || m.pattern === 'carry' || (m.pattern === 'brace' && m.isHold),
    change: () => ({ counted: 'reps', paceSec: { low: 1, likely: 1.4, high: 2 }, more: { hip: 1 } }),
  },
];

const SIDES: readonly Modifier[] = [
  {
    id: 'single-leg',
    family: 'sides',
    name: 'single-leg',
    words: ['single leg', 'on single leg', 'single foot', 'on single foot'],
    says: 'on one leg',
    easier: ['held'],
    takes: (m) =>
      isFoot(m) || isBridge(m) || isOnHands(m) || isMoving(m) || isArms(m) || m.pattern === 'mobility' || isLying(m),
    change: (m) =>
      m.isOneSided || m.pattern === 'mobility'
        ? { sides: 'one at a time' }
        : isFoot(m) || (isMoving(m) && isStanding(m))
          ? { sides: 'one at a time', effort: 1, more: { knee: 1, ankle: 1, hip: 1 } }
          : { sides: 'one at a time', effort: 1, more: { hip: 1, back: 1 } },
  },
  {
    id: 'single-arm',
    family: 'sides',
    name: 'single-arm',
    words: [
      'single arm',
      'single hand',
      'single handed',
      'unilateral',
      'single side',
      'with single arm',
      'with single hand',
    ],
    says: 'with one arm',
    takes: (m) =>
      isArms(m) ||
      hasWeight(m) ||
      isOnHands(m) ||
      m.pattern === 'rotate' ||
      m.pattern === 'hinge' ||
      m.position === 'hanging',
    change: (m) =>
      isOnHands(m) || m.position === 'hanging'
        ? { sides: 'one at a time', effort: 1, more: { wrist: 1, elbow: 1, shoulder: 1, back: 1 } }
        : { sides: 'one at a time', weights: 1 },
  },
  {
    id: 'single',
    family: 'sides',
    name: 'single',
    words: ['single', 'single weight'],
    says: 'with one weight',
    takes: (m) => hasWeight(m),
    change: () => ({ weights: 1 }),
  },
  {
    id: 'double',
    family: 'sides',
    name: 'double',
    words: ['double', 'double arm', 'double weight', 'pair of'],
    says: 'with two',
    takes: (m) => hasWeight(m),
    change: () => ({ weights: 2, sides: 'both', effort: 1 }),
  },
  {
    id: 'two-handed',
    family: 'sides',
    name: 'two-handed',
    words: ['double hand', 'double handed', 'both hand', 'with both hand'],
    says: 'with both hands',
    takes: (m) => hasWeight(m),
    change: () => ({ weights: 1, sides: 'both' }),
  },
  {
    id: 'alternating',
    family: 'sides',
    name: 'alternating',
    words: ['alternating', 'in turn', 'alternating side', 'alternating arm', 'alternating leg', 'switching'],
    says: 'side by side in turn',
    takes: any,
    change: () => ({ sides: 'both' }),
  },
];

const TAKEN_AWAY: readonly Modifier[] = [
  {
    id: 'no-jump',
    family: 'taken away',
    name: 'no-jump',
    words: [
      'no jump',
      'without jump',
      'without a jump',
      'without the jump',
      'jumpless',
      'low impact',
      'no impact',
      'stepping',
      'step out',
      'stepped',
      'without jumping',
      'no jumping',
      'non jumping',
      'quiet',
    ],
    says: 'stepped, without a jump',
    eases: true,
    off: 'with the jump',
    takes: (m) => m.impact > 0,
    change: (m) => ({
      impact: 0,
      noise: m.isOnFloor || m.demand.wrist >= 2 ? 1 : 0,
      effort: -1,
      pace: 1.2,
      most: { ankle: 1 },
      more: { knee: -1 },
    }),
  },
  {
    id: 'no-push-up',
    family: 'taken away',
    name: 'no-push-up',
    words: [
      'no push up',
      'without push up',
      'without a push up',
      'without the push up',
      'no press up',
      'without a press up',
    ],
    says: 'without the push-up',
    eases: true,
    off: 'with the push-up',
    takes: (m) => goesDown(m) || (m.demand.wrist >= 2 && isStanding(m)),
    change: () => ({ effort: -1, pace: 0.75, more: { wrist: -1, elbow: -1, shoulder: -1 } }),
  },
  {
    id: 'no-weight',
    family: 'taken away',
    name: 'without weight',
    isBehind: true,
    words: ['no weight', 'without weight', 'without a weight', 'weightless', 'unweighted', 'unloaded'],
    says: 'without a weight',
    eases: true,
    off: 'with the weight',
    takes: (m) => hasWeight(m),
    change: () => ({ bare: true, effort: -1 }),
  },
];

const EMPTIES: readonly Modifier[] = [
  'standard',
  'full',
  'strict',
  'regular',
  'bodyweight',
  'basic',
  'classic',
  'normal',
  'traditional',
  'proper',
  'conventional',
  'good',
  'your',
  'exercise',
  'rep',
  'drill',
  'movement',
  'style',
  'position',
].map((word): Modifier => ({
  id: word,
  family: 'empty',
  name: '',
  words: [word],
  says: '',
  takes: any,
  change: () => ({}),
}));

/** All modifiers, families in their order. Effects are common practice, no source; where unsure, the higher grade. */
export const MODIFIERS: readonly Modifier[] = [
  ...IMPLEMENTS,
  ...SUPPORTS,
  ...STANCES,
  ...DIRECTIONS,
  ...GRIPS,
  ...RANGES,
  ...RHYTHMS,
  ...SIDES,
  ...TAKEN_AWAY,
  ...EMPTIES,
];

/** A modifier that makes a movement easier, and when it may be offered for that. */
export interface Easing {
  readonly id: string;
  readonly when: (movement: Movement) => boolean;
}

const bearsOnHands = (m: Movement) => isOnHands(m) || (goesDown(m) && !hasWeight(m));

/** Easings, the smallest change first (common practice, no source). The movement is what is to be made easier, all in all. */
export const EASINGS: readonly Easing[] = [
  // What is a jump by name is another movement without it.
  { id: 'no-jump', when: (m) => m.impact >= 2 && !/jump|hop|skip|bound|leap/.test(m.name) },
  { id: 'no-weight', when: (m) => hasWeight(m) && (isLegs(m) || m.demand.knee >= 2 || m.pattern === 'brace') },
  { id: 'held', when: (m) => isLegs(m) && m.impact === 0 && m.kit.length === 0 },
  { id: 'half', when: (m) => isFoot(m) && m.impact === 0 && !m.isHold && m.pattern !== 'hinge' },
  { id: 'knees', when: isOnHands },
  { id: 'incline', when: bearsOnHands },
  { id: 'no-push-up', when: (m) => goesDown(m) && m.demand.wrist >= 3 },
  { id: 'wall', when: bearsOnHands },
  { id: 'short', when: (m) => isWork(m) && m.isHold },
  { id: 'seated', when: (m) => isArms(m) && m.effortClass <= 3 && m.demand.back <= 1 && m.demand.knee === 0 },
];
