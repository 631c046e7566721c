import type { ShouldRevalidateFunctionArgs } from 'react-router';

/** Filters and panels live in the address, but what a loader gave doesn't hang on them: only a new place, a form or an explicit wish loads again. */
export function onlyNewPlaces({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  const isSearchOnly = currentUrl.pathname === nextUrl.pathname && currentUrl.search !== nextUrl.search;
  return formMethod === undefined && isSearchOnly ? false : defaultShouldRevalidate;
}
