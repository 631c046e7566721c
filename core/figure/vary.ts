import type { Movement } from '../movement/movement.ts';
import type { Level } from './body.ts';
import type { Figure } from './figure.ts';
import type { Field, Place, Pose, Side } from './pose.ts';
import { SIDES, blend } from './pose.ts';

/** What a modifier does to the drawing of a movement; undefined where it can't be drawn honestly. */
export type Variation = (figure: Figure, head: Movement) => Figure | undefined;

const onPoses =
  (change: (pose: Pose, index: number, all: readonly Pose[]) => Pose): Variation =>
  (figure) => ({ ...figure, poses: figure.poses.map(change) });

const set = (
  pose: Pose,
  stems: Partial<
    Record<'thigh' | 'shank' | 'out' | 'kneeOut' | 'turn' | 'point' | 'arm' | 'fore' | 'armOut' | 'foreOut', number>
  >,
): Pose => {
  const at: Record<Field, number> = { ...pose.at };
  for (const [stem, value] of Object.entries(stems)) for (const side of SIDES) at[`${stem}${side}` as Field] = value;
  return { ...pose, at };
};

const same: Variation = (figure) => figure;

const touchesWith = (pose: Pose, place: Place): boolean => pose.touches.some((touch) => touch.place === place);
const isUpright = (figure: Figure): boolean =>
  figure.poses.every((p) => p.at.pitch === 0 && p.touches.every((t) => t.place === 'foot' || t.place === 'toes'));
const isOnHandsAndToes = (figure: Figure): boolean =>
  figure.poses.every((p) => touchesWith(p, 'hand') && p.touches.every((t) => t.place === 'hand' || t.place === 'toes'));
const standsAlike = ({ poses: [first] }: Figure): boolean =>
  first !== undefined && first.at.thighR === first.at.thighL && first.touches.length === 2;

const when =
  (holds: (figure: Figure, head: Movement) => boolean, variation: Variation): Variation =>
  (figure, head) =>
    holds(figure, head) ? variation(figure, head) : undefined;

const isLegs = (_: Figure, head: Movement): boolean => ['squat', 'lunge', 'hinge', 'jump'].includes(head.pattern);
const isArms = (_: Figure, head: Movement): boolean => ['press', 'pull', 'push', 'carry'].includes(head.pattern);
const armsHang: Variation = onPoses((pose) => set(pose, { arm: 0, fore: 0, armOut: 7, foreOut: 5 }));
/** Weights in hands that have nothing else to do hang beside the body. */
const withWeights: Variation = (figure, head) =>
  isLegs(figure, head) && isUpright(figure) && head.kit.length === 0 ? armsHang(figure, head) : figure;
const holding = (stems: Parameters<typeof set>[1]): Variation =>
  when(
    (figure, head) => isLegs(figure, head) && isUpright(figure),
    onPoses((pose) => set(pose, stems)),
  );

const against =
  (places: readonly Place[], level: Level): Variation =>
  (figure) => ({
    ...figure,
    poses: figure.poses.map((pose) => ({
      ...pose,
      touches: pose.touches.map((touch) => (places.includes(touch.place) ? { ...touch, against: level } : touch)),
    })),
  });

const legsOf =
  (stems: Parameters<typeof set>[1], touches: readonly { place: Place; against: Level }[]): Variation =>
  (figure) => ({
    ...figure,
    poses: figure.poses.map((pose) => ({
      ...set(pose, stems),
      touches: touches.flatMap(({ place, against: level }) => {
        const touch = (side: Side | undefined) => ({ place, side, against: level, isSetDown: false });
        return place === 'seat' ? [touch(undefined)] : SIDES.map(touch);
      }),
    })),
  });
const flatFeet: Variation = onPoses((pose) => ({ ...pose, at: { ...pose.at, flatR: 1, flatL: 1 } }));
const armsAlone = (figure: Figure, head: Movement): boolean =>
  isArms(figure, head) && isUpright(figure) && figure.poses.every((p) => Math.abs(p.at.thighR) < 12 && p.at.trunk < 16);

const onKnees: Variation = onPoses((pose) => ({
  ...set(pose, { thigh: 0, shank: -75, point: 50 }),
  touches: pose.touches.map((touch) => (touch.place === 'toes' ? { ...touch, place: 'knee' as const } : touch)),
}));

const peakIndex = ({ poses }: Figure): number => poses.length - 1;

/** Half of the way from the first pose. */
const partly = (ratio: number): Variation =>
  when(
    (figure) => figure.poses.length === 2 && !figure.goesRound,
    ({ poses: [first, last], ...rest }) => ({
      ...rest,
      poses: [first!, { ...last!, at: blend(first!.at, last!.at, ratio) }],
    }),
  );

/** One arm works; the other stays as it was at first. */
const oneArm: Variation = when(
  (figure) => !figure.poses.some((p) => touchesWith(p, 'hand')),
  (figure) => ({
    ...figure,
    poses: figure.poses.map((pose) => {
      const { armL, foreL, armOutL, foreOutL } = figure.poses[0]!.at;
      return { ...pose, at: { ...pose.at, armL, foreL, armOutL, foreOutL } };
    }),
  }),
);

const jumped: Variation = when(
  (figure, head) => isLegs(figure, head) && isUpright(figure) && standsAlike(figure) && figure.poses.length === 2,
  ({ poses: [top, bottom], ...rest }) => {
    const stretched = set(top!, { point: 50 });
    const inTheAir = { ...stretched, at: { ...stretched.at, up: 0.1, flatR: 0, flatL: 0 }, touches: [] };
    return { ...rest, poses: [bottom!, inTheAir] };
  },
);

/** How each modifier of names changes a drawing. One that isn't here leaves a movement without a drawing. */
export const VARIATIONS: Readonly<Record<string, Variation>> = {
  dumbbell: withWeights,
  kettlebell: withWeights,
  bottle: withWeights,
  weighted: withWeights,
  plate: holding({ arm: 15, fore: 130, armOut: 8, foreOut: -14 }),
  'medicine-ball': holding({ arm: 15, fore: 120, armOut: 8, foreOut: -14 }),
  sandbag: holding({ arm: 30, fore: 110, armOut: 8, foreOut: -20 }),
  barbell: (figure, head) =>
    isLegs(figure, head) && head.pattern !== 'hinge' && isUpright(figure) && head.kit.length === 0
      ? onPoses((pose) => set(pose, { arm: -35, fore: 140, armOut: 25, foreOut: 10 }))(figure, head)
      : figure,
  band: same,
  goblet: holding({ arm: 15, fore: 140, armOut: 8, foreOut: -10 }),
  rack: holding({ arm: 50, fore: 150, armOut: 6, foreOut: 0 }),
  suitcase: holding({ arm: 0, fore: 0, armOut: 8, foreOut: 6 }),
  overhead: holding({ arm: 178, fore: 178, armOut: 6, foreOut: 6 }),
  stick: same,
  towel: same,
  incline: when(isOnHandsAndToes, against(['hand'], 'chair')),
  decline: when(isOnHandsAndToes, against(['toes'], 'chair')),
  knees: when(isOnHandsAndToes, onKnees),
  kneeling: when(armsAlone, legsOf({ thigh: 0, shank: -90, point: 75 }, [{ place: 'knee', against: 'floor' }])),
  seated: when(armsAlone, (figure, head) =>
    flatFeet(
      legsOf({ thigh: 83, shank: 0, out: 6, kneeOut: 4 }, [
        { place: 'seat', against: 'chair' },
        { place: 'foot', against: 'floor' },
      ])(figure, head)!,
      head,
    ),
  ),
  standing: same,
  held: same,
  assisted: same,
  sumo: when(
    (figure, head) => isLegs(figure, head) && isUpright(figure) && standsAlike(figure),
    onPoses((pose) => set(pose, { out: 24, kneeOut: 18, turn: 30 })),
  ),
  wide: when(
    (figure, head) => isArms(figure, head) || (isUpright(figure) && standsAlike(figure)),
    (figure, head) =>
      isArms(figure, head) && !isOnHandsAndToes(figure)
        ? figure
        : isUpright(figure)
          ? { ...onPoses((pose) => set(pose, { out: 22, kneeOut: 16, turn: 25 }))(figure, head)!, view: 'quarter' }
          : {
              ...figure,
              view: 'quarter',
              poses: figure.poses.map((pose) =>
                set(pose, { armOut: pose.at.foreR > 100 ? 50 : 26, foreOut: pose.at.foreR > 100 ? 0 : 26 }),
              ),
            },
  ),
  close: (figure, head) =>
    isArms(figure, head)
      ? figure
      : isUpright(figure)
        ? onPoses((pose) => set(pose, { out: 0, kneeOut: 0 }))(figure, head)
        : undefined,
  staggered: when((figure) => isOnHandsAndToes(figure), same),
  slider: same,
  'heels-raised': when(isUpright, same),
  'on-the-spot': same,
  hammer: same,
  underhand: same,
  overhand: same,
  'reverse-grip': same,
  short: partly(0.6),
  half: partly(0.5),
  deep: same,
  'one-and-a-half': same,
  slow: same,
  pause: same,
  lowering: same,
  explosive: same,
  jump: jumped,
  pulse: when(
    (figure) => figure.poses.length === 2 && !figure.goesRound,
    ({ poses: [first, last], ...rest }) => ({
      ...rest,
      poses: [last!, { ...last!, at: blend(last!.at, first!.at, 0.28) }],
    }),
  ),
  hold: when(
    (figure) => figure.poses.length <= 2 && !figure.goesRound,
    (figure) => ({ ...figure, alternates: false, poses: [figure.poses[peakIndex(figure)]!] }),
  ),
  'single-arm': oneArm,
  single: when(isArms, oneArm),
  double: same,
  'two-handed': same,
  alternating: (figure) => (figure.goesRound ? figure : { ...figure, alternates: true }),
  'no-jump': when(
    (figure) => figure.poses.some((p) => p.touches.length === 0),
    (figure) => ({
      ...figure,
      poses: figure.poses.map((pose, i, all) =>
        pose.touches.length > 0
          ? pose
          : {
              ...pose,
              at: { ...pose.at, up: 0, pointR: 0, pointL: 0 },
              touches: all.find((p, j) => j !== i && p.touches.length > 0)!.touches,
            },
      ),
    }),
  ),
  'no-weight': (figure) => ({ ...figure, kit: [] }),
};
