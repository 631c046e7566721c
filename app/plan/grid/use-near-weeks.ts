import type { RefObject } from 'react';
import { useEffect, useState } from 'react';

/** Programmes up to this length are drawn whole. */
const SHORT_WEEKS = 16;
const MARGIN_PX = 250;

/**
 * The weeks whose rows are in sight or near it: only their ribbons are drawn, so that a lever of a year is dragged as
 * lightly as one of a month; at first those around `around`. Undefined for all of them: in a short programme, and for printing.
 */
export function useNearWeeks(
  root: RefObject<HTMLElement | null>,
  weeks: number,
  around: number,
): ReadonlySet<number> | undefined {
  const isLong = weeks > SHORT_WEEKS;
  const [near, setNear] = useState<ReadonlySet<number> | undefined>(
    () => new Set(Array.from({ length: SHORT_WEEKS }, (_, i) => around - SHORT_WEEKS / 2 + i)),
  );
  useEffect(() => {
    const element = root.current;
    if (!element || !isLong) return undefined;
    const seen = new Set<number>();
    const observer = new IntersectionObserver(
      (entries) => {
        for (const entry of entries) {
          const week = Number((entry.target as HTMLElement).dataset.week);
          if (entry.isIntersecting) seen.add(week);
          else seen.delete(week);
        }
        setNear(new Set(seen));
      },
      { rootMargin: `${MARGIN_PX}px 0px` },
    );
    for (const row of element.querySelectorAll('[data-week].plan-row')) observer.observe(row);
    const drawAll = () => setNear(undefined);
    window.addEventListener('beforeprint', drawAll);
    return () => {
      observer.disconnect();
      window.removeEventListener('beforeprint', drawAll);
    };
  }, [root, isLong, weeks]);
  return isLong ? near : undefined;
}
