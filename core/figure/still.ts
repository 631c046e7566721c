import type { Figure, View } from './figure.ts';
import type { Drawn, Frame, Part } from './draw.ts';
import { PARTS, drawBody, drawPlaces, floorLine, frameOf, see } from './draw.ts';
import type { Played } from './play.ts';
import { frameAt, peakOf, pointsAt, prepare } from './play.ts';
import { distance } from './vector.ts';

/** A picture of a movement that stands still: where it starts, faintly, and where it comes to. */
export interface Still {
  readonly frame: Frame;
  readonly floor: string;
  readonly places: string;
  /** Undefined for a hold. */
  readonly start: Drawn | undefined;
  readonly end: Drawn;
  /** The way of the hand or foot that moves most; empty where little moves. */
  readonly arc: string;
}

/** Ways shorter than this, in body heights, aren't drawn. */
const SHORT_WAY = 0.12;
const ARC_STEPS = 6;

function arcOf(played: Played, view: View, peak: number): string {
  const [start, end] = [pointsAt(played, 0), pointsAt(played, peak)];
  const names = ['handR', 'handL', 'toeR', 'toeL'] as const;
  const way = (name: (typeof names)[number]): number => distance(start[name], end[name]);
  const most = names.reduce((a, b) => (way(b) > way(a) + 1e-6 ? b : a));
  if (way(most) < SHORT_WAY) return '';
  const until = Math.min(played.atRatio[peak]!, 1 - 1e-9);
  const spots = Array.from({ length: ARC_STEPS + 1 }, (_, i) => {
    const { x, y } = see(frameAt(played, (until * i) / ARC_STEPS)[most], view);
    return `${Math.round(x)} ${Math.round(y)}`;
  });
  return `M${spots.join('L')}`;
}

/** The still of a figure, seen as it is best seen or from another side. */
export function drawStill(figure: Figure, view: View = figure.view): Still {
  const played = prepare(figure);
  const peak = peakOf(played);
  const frame = frameOf(played, view);
  return {
    frame,
    floor: floorLine(frame, view),
    places: drawPlaces(played, view),
    start: peak === 0 ? undefined : drawBody(pointsAt(played, 0), view, figure.kit),
    end: drawBody(pointsAt(played, peak), view, figure.kit),
    arc: peak === 0 ? '' : arcOf(played, view, peak),
  };
}

/** Each pose of a repetition by itself, at most three, for those who don't want anything to move. */
export function drawSteps(figure: Figure, view: View = figure.view): readonly Still[] {
  const played = prepare(figure);
  const { length } = figure.poses;
  const picked = length <= 3 ? figure.poses.map((_, i) => i) : [0, Math.floor((length - 1) / 2), length - 1];
  const frame = frameOf(played, view);
  return picked.map((i) => ({
    frame,
    floor: floorLine(frame, view),
    places: drawPlaces(played, view),
    start: undefined,
    end: drawBody(pointsAt(played, i), view, figure.kit),
    arc: '',
  }));
}

/** One path of a picture; faint where the movement starts. */
export interface PictureLine {
  readonly part: Part | 'floor' | 'place' | 'arc';
  readonly d: string;
  readonly isFaint: boolean;
}

/** A still as the paths it is made of, the furthest first. */
export function stillLines({ floor, places, start, end, arc }: Still): readonly PictureLine[] {
  const body = (drawn: Drawn | undefined, isFaint: boolean): readonly PictureLine[] =>
    drawn ? PARTS.map((part) => ({ part, d: drawn[part], isFaint })) : [];
  const around: readonly PictureLine[] = [
    { part: 'floor', d: floor, isFaint: false },
    { part: 'place', d: places, isFaint: false },
  ];
  const way: PictureLine = { part: 'arc', d: arc, isFaint: false };
  return [...around, ...body(start, true), ...body(end, false), way].filter((line) => line.d !== '');
}

export const viewBoxOf = ({ left, top, width, height }: Frame): string =>
  [left, top, width, height].map((n) => Math.round(n * 10) / 10).join(' ');

/** What stands within the `svg` element: numbers and class names of ours alone, so that it needs no escaping. */
export function stillMarkup(still: Still): string {
  const lines = stillLines(still);
  const paths = (of: readonly PictureLine[]): string =>
    of.map(({ part, d }) => `<path class="fig-${part}" d="${d}"/>`).join('');
  const isAround = ({ part }: PictureLine): boolean => part === 'floor' || part === 'place';
  const faint = lines.filter((line) => line.isFaint);
  const start = faint.length > 0 ? `<g class="fig-start">${paths(faint)}</g>` : '';
  return `${paths(lines.filter(isAround))}${start}<g>${paths(lines.filter((line) => !line.isFaint && !isAround(line)))}</g>`;
}
