import { useState } from 'react';

interface CommitInputProps extends Omit<
  React.InputHTMLAttributes<HTMLInputElement>,
  'value' | 'onChange' | 'onSubmit'
> {
  readonly value: string;
  /** Called when the field is left or Enter is pressed with something else in it. An answer is a complaint, shown below; what was typed stays. */
  readonly onCommit: (next: string) => string | undefined;
}

/** A field whose text counts once it is left; Escape takes it back. */
export function CommitInput({ value, onCommit, ...rest }: CommitInputProps) {
  const [draft, setDraft] = useState<string | undefined>(undefined);
  const [complaint, setComplaint] = useState('');
  const commit = () => {
    if (draft === undefined || draft === value) {
      setDraft(undefined);
      setComplaint('');
      return;
    }
    const answer = onCommit(draft);
    setComplaint(answer ?? '');
    if (answer === undefined) setDraft(undefined);
  };
  return (
    <span className="commit">
      <input
        {...rest}
        value={draft ?? value}
        aria-invalid={complaint !== '' || undefined}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            commit();
          } else if (event.key === 'Escape' && draft !== undefined) {
            event.stopPropagation();
            setDraft(undefined);
            setComplaint('');
          }
        }}
      />
      {complaint && (
        <span className="field-error" role="alert">
          {complaint}
        </span>
      )}
    </span>
  );
}
