import { useId } from 'react';
import type { DayState } from '../../core/record/strand.ts';

interface BeadProps {
  readonly x: number;
  readonly y: number;
  readonly state: DayState;
  readonly shareRatio?: number | undefined;
  readonly radius?: number;
}

/** One day on a strand: shape and fill carry the meaning, never colour alone. */
export function Bead({ x, y, state, shareRatio = 0.5, radius = 5.2 }: BeadProps) {
  const clip = useId();
  switch (state) {
    case 'done':
      return <circle className="bead-full" cx={x} cy={y} r={radius} />;
    case 'part': {
      const height = 2 * radius * Math.min(0.85, Math.max(0.2, shareRatio));
      return (
        <g>
          <circle className="bead-open" cx={x} cy={y} r={radius} />
          <clipPath id={clip}>
            <rect x={x - radius} y={y + radius - height} width={2 * radius} height={height} />
          </clipPath>
          <circle className="bead-full" cx={x} cy={y} r={radius} clipPath={`url(#${clip})`} />
        </g>
      );
    }
    case 'due':
      return <circle className="bead-due" cx={x} cy={y} r={radius} />;
    case 'missed':
      return <path className="bead-knot" d={`M${x} ${y - 4.5}v9`} />;
    case 'not-done':
      return <path className="bead-said" d={`M${x - 3.5} ${y - 3.5}l7 7M${x - 3.5} ${y + 3.5}l7-7`} />;
    case 'ahead':
      return <circle className="bead-ahead" cx={x} cy={y} r="2" />;
    case 'unsent':
      return <circle className="bead-ahead" cx={x} cy={y} r="1.3" />;
    case 'excused':
      return <path className="bead-excused" d={`M${x - 6} ${y}h12`} />;
    case 'bonus':
      return <circle className="bead-full" cx={x} cy={y} r="2.8" />;
    case 'late':
      return (
        <g>
          <path className="bead-knot" d={`M${x} ${y - 4.5}v9`} />
          <circle className="bead-full" cx={x + 4.5} cy={y - 4.5} r="2.3" />
        </g>
      );
    case 'before':
      return null;
  }
}

/** States whose mark is always the same: drawn once a page, and referred to. */
const SHARED: readonly DayState[] = [
  'done',
  'not-done',
  'due',
  'missed',
  'ahead',
  'unsent',
  'excused',
  'bonus',
  'late',
];
const SHARED_ID = (state: DayState) => `bead-${state}`;

/** The marks that SharedBead refers to. Once on a page that has any. */
export function BeadMarks() {
  return (
    <svg width="0" height="0" className="shared-marks" aria-hidden="true">
      <defs>
        {SHARED.map((state) => (
          <g key={state} id={SHARED_ID(state)}>
            <Bead x={0} y={0} state={state} />
          </g>
        ))}
      </defs>
    </svg>
  );
}

/** A bead at a place in percent of the width, for drawings of hundreds. The page has BeadMarks. */
export function SharedBead({ xPct, y, state, shareRatio }: { xPct: number; y: number } & Omit<BeadProps, 'x' | 'y'>) {
  if (state === 'before') return null;
  if (state !== 'part') return <use href={`#${SHARED_ID(state)}`} x={`${xPct}%`} y={y} />;
  return (
    <svg x={`${xPct}%`} overflow="visible">
      <Bead x={0} y={y} state={state} shareRatio={shareRatio} />
    </svg>
  );
}

export const STATE_WORDS: Record<DayState, string> = {
  done: 'done',
  part: 'part done',
  due: 'due today',
  missed: 'missed',
  'not-done': 'said “not today”',
  ahead: 'not open yet',
  unsent: 'not sent',
  before: 'before joining',
  excused: 'excused',
  bonus: 'done beside what was due',
  late: 'done after its window',
};
