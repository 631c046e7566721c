import type { RefObject } from 'react';
import { useEffect } from 'react';

/** Plays the drawings within an element while `key` stays the same; null stops. What plays them is fetched the first time. */
export function usePlaying(root: RefObject<Element | null>, key: string | null): void {
  useEffect(() => {
    if (key === null) return;
    let isOver = false;
    let stop = () => {};
    // Without network the drawing stands still.
    void import('./play-figures.ts').then(
      ({ playFigures }) => {
        if (!isOver && root.current) stop = playFigures(root.current);
      },
      () => {},
    );
    return () => {
      isOver = true;
      stop();
    };
  }, [root, key]);
}
