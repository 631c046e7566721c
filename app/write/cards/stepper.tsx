import { Button } from 'antd';

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
      <Button type="text" size="small" aria-label={`less ${label}`} disabled={isFixed} onClick={() => onStep(-1)}>
        −
      </Button>
      {value}
      <Button type="text" size="small" aria-label={`more ${label}`} disabled={isFixed} onClick={() => onStep(1)}>
        +
      </Button>
    </span>
  );
}
