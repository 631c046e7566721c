interface StepperProps {
  readonly label: string;
  readonly value: React.ReactNode;
  readonly onStep: (by: 1 | -1) => void;
  readonly isFixed?: boolean;
}

/** A number between less and more. The arrow keys do the same on either. */
export function Stepper({ label, value, onStep, isFixed = false }: StepperProps) {
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey || !['ArrowUp', 'ArrowDown'].includes(event.key) || isFixed)
      return;
    event.preventDefault();
    event.stopPropagation();
    onStep(event.key === 'ArrowUp' ? 1 : -1);
  };
  return (
    <span className="stepper" role="group" aria-label={label} onKeyDown={onKeyDown}>
      <button type="button" aria-label={`less ${label}`} disabled={isFixed} onClick={() => onStep(-1)}>
        −
      </button>
      {value}
      <button type="button" aria-label={`more ${label}`} disabled={isFixed} onClick={() => onStep(1)}>
        +
      </button>
    </span>
  );
}
