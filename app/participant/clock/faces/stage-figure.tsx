import { useRef } from 'react';
import type { Stage } from '../../../../core/clock/stage.ts';
import type { SheetFigures } from '../../../../core/figure/sheet-figure.ts';
import { FigurePicture } from '../../../parts/figure/figure-picture.tsx';
import { usePlaying } from '../../../parts/figure/use-playing.ts';

interface StageFigureProps {
  readonly stage: Stage;
  readonly figures: SheetFigures;
  /** While it begins, and where it comes next. */
  readonly isLarge: boolean;
}

/** The movement of a stage, alive: large while it begins or comes next, small afterwards. The number stays larger than it. */
export function StageFigure({ stage, figures, isLarge }: StageFigureProps) {
  const root = useRef<HTMLDivElement>(null);
  const figure = stage.kind === 'rest' ? undefined : figures[stage.movement];
  const isOther = stage.sides[0] === 'left';
  usePlaying(root, figure ? `${stage.movement} ${isOther}` : null);
  if (!figure) return null;
  return (
    <div className={`clock-figure${isLarge ? ' is-large' : ''}`} ref={root} key={stage.movement}>
      <FigurePicture figure={figure} isOther={isOther} />
    </div>
  );
}
