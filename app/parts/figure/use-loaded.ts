import { useEffect, useState } from 'react';

/** A part of a page that is fetched after the page: undefined until it is there. `load` must stay the same function. */
export function useLoaded<T>(load: () => Promise<T>): T | undefined {
  const [loaded, setLoaded] = useState<T>();
  useEffect(() => {
    let isOver = false;
    // A part that can't be fetched is left out; the page does without.
    load().then(
      (part) => {
        if (!isOver) setLoaded(part);
      },
      () => {},
    );
    return () => {
      isOver = true;
    };
  }, [load]);
  return loaded;
}
