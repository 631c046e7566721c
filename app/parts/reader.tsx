import type { ReactNode } from 'react';
import { useRouteLoaderData } from 'react-router';
import type { loader as coachLoader } from '../shell/coach.tsx';

/** Whether who looks may change nothing here. */
export const useIsReader = (): boolean => useRouteLoaderData<typeof coachLoader>('shell/coach')?.role === 'reader';

/** A page as a reader has it: it can be read, and nothing in it can be pressed or filled in. */
export function ForReading({ children }: { children: ReactNode }) {
  return (
    <>
      <p className="notice">You read here: a coach of this workspace changes and sends.</p>
      <fieldset className="for-reading" disabled>
        {children}
      </fieldset>
    </>
  );
}
