import { useState } from 'react';
import { formatSigned } from '../../../core/progress/levers/lever.ts';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  readonly step: number;
  readonly least?: number;
  readonly most?: number;
  /** Without a sign before it. */
  readonly isPlain?: boolean;
  readonly prefix?: string;
  readonly suffix?: string;
  readonly onChange: (value: number) => void;
}

/** A small number in a sentence: typed, or stepped with the arrow keys. What can't be read is put back. */
export function NumberField({
  label,
  value,
  step,
  least = -3600,
  most = 3600,
  isPlain = false,
  prefix,
  suffix,
  onChange,
}: NumberFieldProps) {
  const [draft, setDraft] = useState<string>();
  const shown = draft ?? (isPlain ? String(value) : formatSigned(value));
  const set = (next: number) => {
    const kept = Math.min(most, Math.max(least, Math.round(next * 100) / 100));
    if (kept !== value) onChange(kept);
  };
  const commit = () => {
    const next = Number((draft ?? '').trim().replace('−', '-').replace(',', '.'));
    if (draft !== undefined && draft.trim() !== '' && Number.isFinite(next)) set(next);
    setDraft(undefined);
  };
  return (
    <label className="number-field">
      {prefix && <span>{prefix} </span>}
      <input
        aria-label={label}
        inputMode="numeric"
        size={Math.max(2, shown.length)}
        value={shown}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onFocus={(event) => event.target.select()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            setDraft(undefined);
            set(value + (event.key === 'ArrowUp' ? step : -step));
          }
        }}
      />
      {suffix && <span> {suffix}</span>}
    </label>
  );
}
