import { useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';

const QUERY = 'print';

/** Whether the page is being put on paper: what is drawn as one scrolls, or only there, is then drawn whole. */
export function usePrinting(): boolean {
  return useSyncExternalStore(
    (onChange) => {
      const query = window.matchMedia(QUERY);
      // Browsers take the paper's picture right after this event.
      const now = () => flushSync(onChange);
      query.addEventListener('change', onChange);
      window.addEventListener('beforeprint', now);
      window.addEventListener('afterprint', now);
      return () => {
        query.removeEventListener('change', onChange);
        window.removeEventListener('beforeprint', now);
        window.removeEventListener('afterprint', now);
      };
    },
    () => window.matchMedia(QUERY).matches,
    () => false,
  );
}
