import { useSyncExternalStore } from 'react';

const NONE: readonly string[] = [];
let known: readonly string[] | undefined;
const subscribe = () => () => undefined;

/** The time zones that this browser knows, for choosing one; none in the server's answer, which would carry hundreds of names. */
export const useZones = (): readonly string[] =>
  useSyncExternalStore(
    subscribe,
    () => (known ??= Intl.supportedValuesOf('timeZone')),
    () => NONE,
  );
