import type { Shape } from '../../../core/forms/form.ts';
import { baseLibrary } from '../../../core/movement/library.ts';
import { parseSession } from '../../../core/notation/read-session.ts';
import { computePlan } from '../../../core/session/plan.ts';
import { layoutRibbon } from '../../charts/ribbon-layout.ts';
import { Ribbon } from '../../charts/session/ribbon.tsx';

const WIDTH = 76;
const HEIGHT = 26;

/** What a shape looks like in time: the ribbon of a small session of it, or bars where its numbers are carried. */
export function ClockShapePicture({ shape }: { shape: Shape }) {
  const { picture } = shape;
  if (typeof picture === 'string') {
    const plan = computePlan(parseSession(picture, baseLibrary).document, baseLibrary);
    return <Ribbon layout={layoutRibbon(plan, { widthPx: WIDTH, heightPx: HEIGHT })} />;
  }
  return (
    <svg className="ribbon" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden="true">
      <line className="ribbon-ground" x1="0" x2={WIDTH} y1={HEIGHT - 1.5} y2={HEIGHT - 1.5} />
      {picture.map((b) => (
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
