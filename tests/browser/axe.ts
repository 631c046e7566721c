import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { expect } from 'vitest';
import { SOON } from './helpers.ts';

const AXE = readFileSync(new URL('../../node_modules/axe-core/axe.min.js', import.meta.url), 'utf8');
/** What depends on colours alone; all else is the same in both. */
const COLOUR_RULES = ['color-contrast', 'link-in-text-block'];
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
/** Asked for beside those, though axe has them off or calls them experiments. */
const MORE_RULES = ['label-content-name-mismatch', 'target-size'];

/** What axe finds, as "rule: where": all its rules in light, and, once the page has turned dark, those that ask for colours. */
export async function findFaults(page: Page): Promise<string[]> {
  await page.locator('.ant-btn-loading').first().waitFor({ state: 'detached' });
  await page.evaluate(AXE); // Through the debugger, past the page's content-security policy.
  await stopFading(page);
  const inLight = await runAxe(page, { type: 'tag', values: TAGS }, MORE_RULES);
  await turn(page, 'dark');
  const inDark = await runAxe(page, { type: 'rule', values: COLOUR_RULES });
  await turn(page, 'light');
  return [...inLight, ...inDark.map((fault) => `in dark, ${fault}`)];
}

/** The page in the other colours at once: nothing fades. */
async function turn(page: Page, colorScheme: 'light' | 'dark'): Promise<void> {
  await page.emulateMedia({ colorScheme });
  await expect
    .poll(() => page.evaluate(() => getComputedStyle(document.documentElement).colorScheme), SOON)
    .toBe(colorScheme);
}

const stopFading = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync('*, *::before, *::after { transition: none !important; }');
    document.adoptedStyleSheets.push(sheet);
  });

async function runAxe(
  page: Page,
  runOnly: { type: 'tag' | 'rule'; values: readonly string[] },
  more: readonly string[] = [],
): Promise<string[]> {
  const result = await page.evaluate(
    ([only, rules]) =>
      (
        window as unknown as {
          axe: {
            run: (
              o: unknown,
            ) => Promise<{ violations: { id: string; nodes: { target: string[]; failureSummary: string }[] }[] }>;
          };
        }
      ).axe.run({ runOnly: only, rules, resultTypes: ['violations'], preload: false }),
    [runOnly, Object.fromEntries(more.map((rule) => [rule, { enabled: true }]))] as const,
  );
  return result.violations.flatMap((v) =>
    v.nodes.slice(0, 3).map((n) => `${v.id}: ${n.target.join(' ')} ${n.failureSummary.split('\n')[1] ?? ''}`),
  );
}
