import { useRef } from 'react';
import { formatClock } from '../../../core/words/format-clock.ts';
import type { ScoreField } from '../../../core/record/scores/score.ts';
import { parseClockText } from '../../../core/record/scores/score.ts';

/** A number with a large minus and plus on either side; without script it is a plain field. */
export function ScoreInput({
  field,
  defaultValue,
  invalid,
}: {
  field: ScoreField;
  defaultValue: string;
  invalid: boolean;
}) {
  const input = useRef<HTMLInputElement>(null);
  const step = (by: 1 | -1) => {
    const el = input.current!;
    el.value =
      field.write === 'clock'
        ? formatClock(Math.max(0, (parseClockText(el.value) ?? 0) + by))
        : String(
            Math.max(0, (Number.parseFloat(el.value.replace(',', '.')) || 0) + (field.write === 'half' ? by / 2 : by)),
          );
  };
  const stepAndTell = (by: 1 | -1) => {
    step(by);
    input.current!.dispatchEvent(new Event('input', { bubbles: true }));
  };
  return (
    <div className="score-input">
      <label htmlFor={field.name}>
        {field.label}
        {field.hint && <small>{field.hint}</small>}
      </label>
      <div>
        <button type="button" aria-label={`less ${field.label}`} onClick={() => stepAndTell(-1)}>
          −
        </button>
        <input
          ref={input}
          id={field.name}
          name={field.name}
          defaultValue={defaultValue}
          inputMode={field.write === 'clock' ? 'text' : field.write === 'half' ? 'decimal' : 'numeric'}
          autoComplete="off"
          placeholder={field.write === 'clock' ? '0:00' : '–'}
          aria-invalid={invalid}
          {...(invalid && { 'aria-describedby': `error-${field.name}` })}
        />
        <button type="button" aria-label={`more ${field.label}`} onClick={() => stepAndTell(1)}>
          +
        </button>
      </div>
    </div>
  );
}
