import type { SheetFigure } from '../../../core/figure/sheet-figure.ts';

/** A movement's drawing. It stands still; `playFigures` sets it in motion. `isOther`: for the left side, as in a mirror. */
export function FigurePicture({
  figure: { box, markup, packed, moves, sec, words, otherWords },
  isOther = false,
}: {
  figure: SheetFigure;
  isOther?: boolean;
}) {
  return (
    <svg
      className={`fig${isOther ? ' is-other' : ''}`}
      viewBox={box}
      role="img"
      aria-label={isOther ? otherWords : words}
      data-fig={moves ? packed : undefined}
      data-sec={sec}
      dangerouslySetInnerHTML={{ __html: markup }}
    />
  );
}
