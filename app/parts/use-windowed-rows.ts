import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useState } from 'react';
import { useInBrowser } from './fields/use-in-browser.ts';

/** Lists up to this long are drawn whole: they can be printed and searched in as they are. */
const WHOLE = 60;
/** What a first answer of the server shows of a longer one. */
const FIRST_PX = 600;
const OVERSCAN = 4;

interface RowPlace {
  readonly index: number;
  /** Distance from the top of the list. */
  readonly topPx: number;
}

/**
 * Which rows of a long list are drawn: those in sight and a few around them. On paper all of them. `attach` is the `ref` of the
 * element that the rows stand in, `heightPx` its height; every row is `rowPx` high. `firstPx`: how much of it the server draws.
 */
export function useWindowedRows(count: number, rowPx: number, firstPx = FIRST_PX) {
  const [list, setList] = useState<HTMLDivElement | null>(null);
  const [topPx, setTopPx] = useState(0);
  const [isPrinting, setPrinting] = useState(false);
  useLayoutEffect(() => {
    const measure = () => {
      if (list) setTopPx(list.getBoundingClientRect().top + window.scrollY);
    };
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, [list, count]);
  useEffect(() => {
    const media = window.matchMedia('print');
    const onChange = () => setPrinting(media.matches);
    media.addEventListener('change', onChange);
    return () => media.removeEventListener('change', onChange);
  }, []);
  const virtual = useWindowVirtualizer({
    count,
    estimateSize: () => rowPx,
    overscan: OVERSCAN,
    scrollMargin: topPx,
    initialRect: { width: 1280, height: firstPx },
  });
  // What the server drew is what the page takes over, wherever it was scrolled to meanwhile; then what is in sight.
  const isInBrowser = useInBrowser();
  const isWhole = count <= WHOLE || isPrinting;
  const first = (length: number) => Array.from({ length }, (_, index) => ({ index, topPx: index * rowPx }));
  const rows: readonly RowPlace[] = isWhole
    ? first(count)
    : isInBrowser
      ? virtual.getVirtualItems().map(({ index }) => ({ index, topPx: index * rowPx }))
      : first(Math.min(count, Math.ceil(firstPx / rowPx) + OVERSCAN));
  return {
    /** The `ref` of the element that the rows stand in. */
    attach: setList,
    rows,
    heightPx: count * rowPx,
  };
}
