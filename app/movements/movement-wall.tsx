import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { plural } from '../../core/words/words.ts';
import type { SheetFigure } from '../../core/figure/sheet-figure.ts';
import type { Movement } from '../../core/movement/movement.ts';
import { FigurePicture } from '../parts/figure/figure-picture.tsx';
import { useWindowedRows } from '../parts/use-windowed-rows.ts';

/** A cell of the wall: its least width, and the height of a row of them. */
const CELL_PX = 148;
const ROW_PX = 148;

interface MovementWallProps {
  readonly movements: readonly Movement[];
  readonly chosen: Movement | undefined;
  readonly figureOf: (movement: Movement) => SheetFigure | null;
  readonly linkTo: (id: string) => string;
}

/** The movements in sight as drawings side by side. */
export function MovementWall({ movements, chosen, figureOf, linkTo }: MovementWallProps) {
  const [columns, setColumns] = useState(4);
  const [box, setBox] = useState<HTMLElement | null>(null);
  useEffect(() => {
    if (!box) return;
    const watch = new ResizeObserver(([entry]) =>
      setColumns(Math.max(2, Math.floor(entry!.contentRect.width / CELL_PX))),
    );
    watch.observe(box);
    return () => watch.disconnect();
  }, [box]);
  const { attach, rows, heightPx } = useWindowedRows(Math.ceil(movements.length / columns), ROW_PX);
  return (
    <div ref={setBox}>
      <div ref={attach} style={{ height: heightPx, position: 'relative' }}>
        <ul className="movement-wall" aria-label={plural(movements.length, 'movement')}>
          {rows.flatMap(({ index, topPx }) =>
            movements.slice(index * columns, (index + 1) * columns).map((m, column) => (
              <li
                key={m.id}
                style={{
                  top: topPx,
                  height: ROW_PX,
                  left: `${(100 * column) / columns}%`,
                  width: `${100 / columns}%`,
                }}
                aria-setsize={movements.length}
                aria-posinset={index * columns + column + 1}
              >
                <Link to={linkTo(m.id)} preventScrollReset aria-current={m === chosen || undefined}>
                  <WallPicture figure={figureOf(m)} />
                  <span>{m.name}</span>
                </Link>
              </li>
            )),
          )}
        </ul>
      </div>
    </div>
  );
}

/** The name says it to those who don’t see it. */
const WallPicture = ({ figure }: { figure: SheetFigure | null }) => (
  <span className="movement-wall-picture" aria-hidden="true">
    {figure ? <FigurePicture figure={figure} /> : <i>no drawing</i>}
  </span>
);
