import { Link } from 'react-router';
import type { SheetFigure } from '../../core/figure/sheet-figure.ts';
import { FigurePicture } from '../parts/figure/figure-picture.tsx';

export interface DrawnLadder {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly { readonly id: string; readonly name: string; readonly change: string }[];
}

/** Each step stands so much further in. */
export const INDENT_PX = 16;

/** A shape ladder as steps that rise from the easiest to the hardest. */
export function LadderSteps({
  ladder,
  here,
  linkTo,
  figureOf = () => null,
}: {
  ladder: DrawnLadder;
  here: string;
  linkTo: (id: string) => string;
  /** What a step looks like; the difference between two is seen. */
  figureOf?: (id: string) => SheetFigure | null;
}) {
  return (
    <ol className="ladder" aria-label={`${ladder.name}, easiest first`}>
      {ladder.steps.map((step, i) => {
        const figure = figureOf(step.id);
        return (
          <li key={step.id} style={{ marginLeft: i * INDENT_PX }} className={step.id === here ? 'is-here' : ''}>
            <Link to={linkTo(step.id)} preventScrollReset aria-current={step.id === here || undefined}>
              {step.name}
            </Link>
            {step.change && <small>{step.change}</small>}
            {figure && (
              <span className="ladder-picture" aria-hidden="true">
                <FigurePicture figure={figure} />
              </span>
            )}
          </li>
        );
      })}
    </ol>
  );
}
