import { useEffect, useRef } from 'react';
import { useFetchers, useLocation, useNavigation } from 'react-router';
import { focusAgain, focusHeading } from './focus.ts';

/**
 * After going to another page the focus is on its heading, as after loading it: a keyboard goes on from there, a screen reader
 * says where it is. After sending something on the same page, where the button that did it may be gone, it is there too. A page
 * that has put the focus itself keeps it.
 */
export function FocusOnNavigation() {
  const { pathname } = useLocation();
  const isBusy = useNavigation().state !== 'idle';
  const isSending = useFetchers().some((f) => f.state !== 'idle');
  const last = useRef(pathname);
  const wasBusy = useRef(false);
  useEffect(() => {
    if (last.current === pathname) return;
    last.current = pathname;
    const now = document.activeElement;
    if (now?.closest('main') && !now.closest('nav')) return;
    focusHeading();
  }, [pathname]);
  useEffect(() => {
    if (isBusy || isSending) {
      wasBusy.current = true;
      return;
    }
    if (wasBusy.current) focusAgain(null);
    wasBusy.current = false;
  }, [isBusy, isSending]);
  return null;
}
