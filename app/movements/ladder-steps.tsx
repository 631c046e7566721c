import { Link } from 'react-router';

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
}: {
  ladder: DrawnLadder;
  here: string;
  linkTo: (id: string) => string;
}) {
  return (
    <ol className="ladder" aria-label={`${ladder.name}, easiest first`}>
      {ladder.steps.map((step, i) => (
        <li key={step.id} style={{ marginLeft: i * INDENT_PX }} className={step.id === here ? 'is-here' : ''}>
          <Link to={linkTo(step.id)} preventScrollReset aria-current={step.id === here || undefined}>
            {step.name}
          </Link>
          {step.change && <small>{step.change}</small>}
        </li>
      ))}
    </ol>
  );
}
