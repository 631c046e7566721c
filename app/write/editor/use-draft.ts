import { useEffect, useState, useSyncExternalStore } from 'react';
import type { DraftAnswer } from './draft-saver.ts';
import { DraftSaver } from './draft-saver.ts';

/** Browsers let a page send this much after it was left. */
const KEEPALIVE_BYTES = 50_000;

/** A saver for one day's text, for as long as the component stands; leaving with something unsaved asks first. `onSaved` must stay the same. */
export function useDraft(
  url: string,
  initial: { readonly text: string; readonly revision: number },
  onSaved: () => void,
) {
  const [saver] = useState(
    () =>
      new DraftSaver(
        initial,
        async (draft) => {
          const response = await fetch(url, {
            method: 'POST',
            keepalive: draft.text.length < KEEPALIVE_BYTES,
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify(draft),
          });
          return (await response.json()) as DraftAnswer;
        },
        onSaved,
      ),
  );
  const state = useSyncExternalStore(saver.subscribe, saver.getState, saver.getState);
  useEffect(() => {
    const onLeave = (event: BeforeUnloadEvent) => {
      if (saver.hasUnsaved) event.preventDefault();
    };
    window.addEventListener('beforeunload', onLeave);
    return () => {
      window.removeEventListener('beforeunload', onLeave);
      saver.close();
    };
  }, [saver]);
  return { saver, state };
}
