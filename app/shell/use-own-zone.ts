import { useEffect } from 'react';
import { useRevalidator } from 'react-router';

const YEAR_SEC = 365 * 24 * 3600;

/** Tells the server which zone this browser is in, where it took another one: what is today is then asked for once more. */
export function useOwnZone(takenZone: string): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const own = Intl.DateTimeFormat().resolvedOptions().timeZone;
    if (!own || own === takenZone) return;
    document.cookie = `ysodos_zone=${encodeURIComponent(own)}; path=/; SameSite=Lax; max-age=${YEAR_SEC}${window.location.protocol === 'https:' ? '; Secure' : ''}`;
    void revalidate();
  }, [takenZone, revalidate]);
}
