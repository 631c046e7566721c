import type { ReactNode } from 'react';

/** A field of a form: what it is called above it, what follows from it and what is wrong below. Its control is what it wraps. */
export function Field({
  label,
  hint,
  error,
  children,
}: {
  readonly label: ReactNode;
  readonly hint?: ReactNode;
  readonly error?: string | undefined;
  readonly children: ReactNode;
}) {
  return (
    <label className="field">
      <span className="field-label">{label}</span>
      {children}
      {hint && <small className="soft">{hint}</small>}
      {error && <span className="field-error">{error}</span>}
    </label>
  );
}
