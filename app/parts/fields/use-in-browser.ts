import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False in the server's answer and until the page is alive: until then, and without script, forms have the browser's own controls. */
export const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
