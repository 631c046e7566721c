import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { focusHeading } from './focus.ts';

/**
 * After going to another page the focus is on its heading, as after loading it: a keyboard goes on from there, a screen reader
 * says where it is. A page that has put the focus itself keeps it.
 */
export function FocusOnNavigation() {
  const { pathname } = useLocation();
  const last = useRef(pathname);
  useEffect(() => {
    if (last.current === pathname) return;
    last.current = pathname;
    const now = document.activeElement;
    if (now?.closest('main') && !now.closest('nav')) return;
    focusHeading();
  }, [pathname]);
  return null;
}
