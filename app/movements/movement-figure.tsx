import { Button, Segmented } from 'antd';
import { useMemo, useRef, useState } from 'react';
import type { View } from '../../core/figure/figure.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { Movement } from '../../core/movement/movement.ts';
import { drawFigure } from '../../words/en/figures/sheet-figures.ts';
import { FigurePicture } from '../parts/figure/figure-picture.tsx';
import { usePlaying } from '../parts/figure/use-playing.ts';

const VIEWS: readonly { readonly value: 'best' | View; readonly label: string }[] = [
  { value: 'best', label: 'best' },
  { value: 'side', label: 'side' },
  { value: 'front', label: 'front' },
  { value: 'quarter', label: 'half' },
  { value: 'rear', label: 'behind' },
  { value: 'top', label: 'above' },
];

/** The open movement alive, from any side, as quick as it is done. */
export function MovementFigure({ movement, library }: { movement: Movement; library: MovementLibrary }) {
  const [view, setView] = useState<'best' | View>('best');
  const [isOther, setIsOther] = useState(false);
  const [isMoving, setIsMoving] = useState(true);
  const root = useRef<HTMLDivElement>(null);
  const figure = useMemo(
    () => drawFigure(movement, library, view === 'best' ? undefined : view),
    [movement, library, view],
  );
  const canMove = figure !== null && figure.moves;
  usePlaying(root, canMove && isMoving ? `${movement.id} ${view} ${isOther}` : null);
  if (!figure)
    return (
      <p className="soft small">
        There is no drawing of it: what can’t be drawn as a body does it has none rather than a wrong one.
      </p>
    );
  return (
    <div className="movement-figure">
      <div ref={root} key={`${movement.id} ${view} ${isOther}`}>
        <FigurePicture figure={figure} isOther={isOther} />
      </div>
      <p className="soft small">{isOther ? figure.otherWords : figure.words}</p>
      <div className="movement-figure-acts">
        <Segmented
          size="small"
          aria-label="Seen from"
          options={VIEWS.map(({ value, label }) => ({ value, label }))}
          value={view}
          onChange={setView}
        />
        {movement.isOneSided && (
          <Button size="small" onClick={() => setIsOther(!isOther)}>
            {isOther ? 'Show the right side' : 'Show the left side'}
          </Button>
        )}
        {canMove && (
          <Button size="small" onClick={() => setIsMoving(!isMoving)}>
            {isMoving ? 'Stop it' : 'Move it'}
          </Button>
        )}
      </div>
    </div>
  );
}
