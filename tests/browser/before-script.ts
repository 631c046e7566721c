import type { Page } from 'playwright-core';

/** What a page says of itself as the server gives it, before any script runs. */
export interface BareFaults {
  /** The texts of its first-level headings: one, and not empty. */
  readonly h1: readonly string[];
  readonly title: string;
  /** References to elements that aren't there, and ids that are there twice. */
  readonly dangling: readonly string[];
}

const REFERENCES = [
  'aria-labelledby',
  'aria-describedby',
  'aria-controls',
  'aria-owns',
  'aria-activedescendant',
  'aria-errormessage',
  'aria-details',
  'for',
  'form',
  'list',
];

export async function readBare(page: Page, path: string): Promise<BareFaults> {
  const answer = await page.request.get(path, { headers: { accept: 'text/html' } });
  return page.evaluate(
    ([html, references]) => {
      const bare = new DOMParser().parseFromString(html, 'text/html');
      const ids = [...bare.querySelectorAll('[id]')].map((e) => e.id);
      return {
        h1: [...bare.querySelectorAll('h1')].map((e) => e.textContent.trim()),
        title: bare.title,
        dangling: [
          ...references.flatMap((name) =>
            [...bare.querySelectorAll(`[${name}]`)].flatMap((e) =>
              e
                .getAttribute(name)!
                .split(/\s+/)
                .filter((id) => id !== '' && !bare.getElementById(id))
                .map((id) => `${e.tagName.toLowerCase()} ${name}=${id}`),
            ),
          ),
          ...ids.filter((id, i) => ids.indexOf(id) !== i).map((id) => `twice: ${id}`),
        ],
      };
    },
    [await answer.text(), REFERENCES] as const,
  );
}
