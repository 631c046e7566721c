import { useCallback } from 'react';
import type { NavigateOptions } from 'react-router';
import { useNavigate } from 'react-router';

/**
 * Follows plain `<a href>` inside an element without loading the page anew: for lists of many links, where one handler does for all.
 * A click with a key held, another button, a target or another origin stays the browser's.
 */
export function usePlainLinks(options?: NavigateOptions): (event: React.MouseEvent<HTMLElement>) => void {
  const navigate = useNavigate();
  const keepsScroll = options?.preventScrollReset ?? false;
  return useCallback(
    (event) => {
      if (event.defaultPrevented || event.button !== 0) return;
      if (event.metaKey || event.altKey || event.ctrlKey || event.shiftKey) return;
      const link = (event.target as Element).closest('a');
      const href = link?.getAttribute('href');
      if (!link || !href || link.target || !/^[/?](?!\/)/.test(href)) return;
      event.preventDefault();
      void navigate(href, { preventScrollReset: keepsScroll });
    },
    [navigate, keepsScroll],
  );
}
