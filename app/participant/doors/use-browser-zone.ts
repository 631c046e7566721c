import { useSyncExternalStore } from 'react';

const subscribe = () => () => undefined;

/** The zone that this browser is in; undefined in the server's answer. */
export const useBrowserZone = (): string | undefined =>
  useSyncExternalStore(
    subscribe,
    () => Intl.DateTimeFormat().resolvedOptions().timeZone,
    () => undefined,
  );
