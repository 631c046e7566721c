import { Input } from 'antd';
import { useRouteLoaderData } from 'react-router';
import { PROOF_FIELDS } from '../../core/proof-fields.ts';
import type { loader as coachLoader } from '../shell/coach.tsx';

interface ProveAgainProps {
  /** What the server said to the last try. */
  readonly errors?: Readonly<Record<string, string>> | undefined;
  /** Also where they have only just signed in. */
  readonly always?: boolean;
}

/** Whether what the server said is that it wants to know who asks. */
export const asksProof = (errors: ProveAgainProps['errors']): boolean =>
  Object.values(PROOF_FIELDS).some((name) => errors?.[name] !== undefined);

/** Whether the server asks for the password before what can hurt. */
function useNeedsProof(errors: ProveAgainProps['errors']): boolean {
  const coach = useRouteLoaderData<typeof coachLoader>('shell/coach');
  return (coach?.needsProof ?? false) || asksProof(errors);
}

/** One's password once more, and the code of the second step: nothing where they were shown a moment ago. */
export function ProveAgain({ errors, always = false }: ProveAgainProps) {
  const coach = useRouteLoaderData<typeof coachLoader>('shell/coach');
  const isAsked = useNeedsProof(errors);
  if (!always && !isAsked) return null;
  return (
    <>
      <label>
        Your password
        <Input.Password
          name={PROOF_FIELDS.password}
          autoComplete="current-password"
          visibilityToggle={false}
          {...(errors?.[PROOF_FIELDS.password] && { 'aria-invalid': true })}
        />
        <FieldError words={errors?.[PROOF_FIELDS.password]} />
      </label>
      {coach?.hasSecondStep && (
        <label>
          The code from your second step
          <Input name={PROOF_FIELDS.code} inputMode="numeric" autoComplete="one-time-code" />
          <FieldError words={errors?.[PROOF_FIELDS.code]} />
        </label>
      )}
    </>
  );
}

export const FieldError = ({ words }: { words: string | undefined }) =>
  words ? (
    <span className="field-error" role="alert">
      {words}
    </span>
  ) : null;
