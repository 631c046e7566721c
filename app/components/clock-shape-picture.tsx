import { baseLibrary } from '../../core/movement/library.ts';
import { parseSession } from '../../core/notation/parse.ts';
import type { ClockShape } from '../../core/forms/clock-shape.ts';
import { computePlan } from '../../core/session/plan.ts';
import { layoutRibbon } from '../charts/ribbon-layout.ts';
import { Ribbon } from '../charts/ribbon.tsx';

/** A session of each form, small enough to be seen whole: the pictures are ribbons like any other. */
const SAMPLES: Record<ClockShape, string> = {
  flow: 'Main: flow\n0:20 calf stretch\n0:30 wall sit\n0:20 side stretch',
  rounds: 'Main: 3 rounds, rest 0:12 between rounds\n5 march\n5 push-up\n4 squat',
  'for-time': 'Main: for time, reps 9-6-3\npush-up\nsquat',
  amrap: 'Main: amrap 1:10\n3 burpee\n4 march',
  every: 'Main: every 0:20 x 4\n6 squat\n4 burpee',
  intervals: 'Main: work 0:12 rest 0:06, 2 rounds\nmarch\nsquat\nburpee',
  'counted-intervals': 'Main: work 0:08 rest 0:04 x 8\npush-up',
  windows: 'Main: windows 0:24 x 3 rest 0:08\n4 squat\nmax push-up',
  pyramid: '',
  turns: '',
  relay: '',
};
const WIDTH = 76;
const HEIGHT = 26;

/** What each form looks like in time. Forms whose numbers are carried are drawn by their steps. */
export function ClockShapePicture({ shape }: { shape: ClockShape }) {
  const sample = SAMPLES[shape];
  if (sample) {
    const plan = computePlan(parseSession(sample, baseLibrary).document, baseLibrary);
    return <Ribbon layout={layoutRibbon(plan, { widthPx: WIDTH, heightPx: HEIGHT })} />;
  }
  const bars: { x: number; width: number; height: number; kind: string }[] =
    shape === 'pyramid'
      ? [5, 9, 13, 17, 21, 17, 13, 9, 5].map((height, i) => ({
          x: i * 8.4 + (i > 4 ? 3 : 0),
          width: 7,
          height,
          kind: 'work',
        }))
      : shape === 'turns'
        ? Array.from({ length: 6 }, (_, i) => ({
            x: i * 12.8,
            width: 11.5,
            height: i % 2 === 0 ? 20 : 9,
            kind: i % 2 === 0 ? 'work' : 'rest',
          }))
        : [24, 24, 24, 16, 16, 16, 8, 8, 8].map((reps, i) => ({
            x:
              [0, 1, 2].slice(0, Math.floor(i / 3)).reduce((sum, k) => sum + [36, 24, 14][k]!, 0) +
              (i % 3) * ([36, 24, 14][Math.floor(i / 3)]! / 3),
            width: [36, 24, 14][Math.floor(i / 3)]! / 3 - 1.4,
            height: reps * 0.85,
            kind: 'work',
          }));
  return (
    <svg className="ribbon" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden="true">
      <line className="ribbon-ground" x1="0" x2={WIDTH} y1={HEIGHT - 1.5} y2={HEIGHT - 1.5} />
      {bars.map((b) => (
        <rect
          key={b.x}
          className={`ribbon-${b.kind}`}
          x={b.x}
          y={HEIGHT - 2 - b.height}
          width={b.width}
          height={b.height}
          rx="1.5"
        />
      ))}
    </svg>
  );
}
