/** What the browser calls a page: what it is, then what it belongs to. */
export const pageTitle = (...parts: readonly (string | undefined)[]): { title: string }[] => [
  { title: [...parts.filter((p) => p !== undefined && p !== ''), 'Ysodos'].join(' · ') },
];

type Matches = readonly ({ readonly id: string; readonly loaderData?: unknown } | undefined)[];

/** The same of a page that belongs to a programme. */
export function programmePage(matches: Matches, ...parts: readonly (string | undefined)[]): { title: string }[] {
  const found = matches.find((m) => m?.id === 'shell/programme')?.loaderData as
    { readonly programme?: { readonly title?: string } } | undefined;
  return pageTitle(...parts, found?.programme?.title);
}
