import { useId, useRef, useState } from 'react';
import type { View } from '../../core/figure/figure.ts';
import { drawBody, drawPlaces, floorLine, see } from '../../core/figure/draw.ts';
import type { Handle } from '../../core/figure/turn-joint.ts';
import { HANDLES, handleValue, towards, turnJoint } from '../../core/figure/turn-joint.ts';
import { prepare } from '../../core/figure/play.ts';
import type { Pose } from '../../core/figure/pose.ts';
import { handleWords } from '../../words/en/figures/drawing-words.ts';
import { stillMarkup } from '../../core/figure/still.ts';

/** The part of the plane that is worked in, in hundredths of the body's height. */
const ROOM = { left: -85, top: -132, width: 170, height: 142 } as const;
const KEY_DEG = 5;

interface PoseEditorProps {
  readonly pose: Pose;
  readonly view: View;
  readonly onChange: (pose: Pose) => void;
}

/** One pose with its joints: each is dragged to where it should be, or turned by keys, as far as it goes. */
export function PoseEditor({ pose, view, onChange }: PoseEditorProps) {
  const svg = useRef<SVGSVGElement>(null);
  const title = useId();
  const [dragged, setDragged] = useState<Handle>();
  const [draft, setDraft] = useState<Pose>();
  const shown = draft ?? pose;
  const figure = { view, goesRound: false, alternates: false, travels: false, poses: [shown], kit: [] };
  const played = prepare(figure);
  const { points } = played.stops[0]!;
  const still = {
    frame: ROOM,
    floor: floorLine(ROOM, view),
    places: drawPlaces(played, view),
    start: undefined,
    end: drawBody(points, view),
    arc: '',
  };
  const onMove = (event: React.PointerEvent) => {
    const matrix = svg.current?.getScreenCTM();
    if (!dragged || !matrix) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    setDraft(towards(shown, dragged, points, view, { x, y }));
  };
  const onUp = () => {
    if (draft) onChange(draft);
    setDraft(undefined);
    setDragged(undefined);
  };
  return (
    <svg
      ref={svg}
      className="fig draw-pose"
      viewBox={[ROOM.left, ROOM.top, ROOM.width, ROOM.height].join(' ')}
      role="group"
      aria-labelledby={title}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerCancel={onUp}
    >
      <title id={title}>The pose with its joints</title>
      <g dangerouslySetInnerHTML={{ __html: stillMarkup(still) }} />
      {HANDLES.map((handle) => {
        const { x, y } = see(points[handle.point], view);
        const value = Math.round(handleValue(shown, handle, view));
        return (
          <circle
            key={handle.point}
            className="draw-joint"
            cx={x}
            cy={y}
            r={3.4}
            tabIndex={0}
            role="slider"
            aria-label={handleWords(handle)}
            aria-valuenow={value}
            aria-valuetext={`${value} degrees`}
            onPointerDown={(event) => {
              event.preventDefault();
              svg.current?.setPointerCapture(event.pointerId);
              setDragged(handle);
            }}
            onKeyDown={(event) => {
              const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
              if (by === undefined) return;
              event.preventDefault();
              onChange(turnJoint(pose, handle, view, value + by * KEY_DEG));
            }}
          />
        );
      })}
    </svg>
  );
}
