import type { Page } from 'playwright-core';

/**
 * What is smaller than it may be: things to hit under 24 px either way (WCAG 2.2, 2.5.8; links within a sentence are left out, as
 * there), and text under 12 px.
 */
export const findSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const isSeen = (e: Element) => {
      const box = e.getBoundingClientRect();
      if (box.width <= 1 || box.height <= 1) return false;
      return e.checkVisibility({ opacityProperty: true, visibilityProperty: true });
    };
    const inSentence = (e: Element) =>
      getComputedStyle(e).display === 'inline' &&
      [...(e.parentElement?.childNodes ?? [])].some(
        (n) => n !== e && n.nodeType === 3 && (n.textContent ?? '').trim() !== '',
      );
    const tell = (e: Element) =>
      `${e.tagName.toLowerCase()}.${e.getAttribute('class') ?? ''} “${(e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 30)}”`;
    const dialog = document.querySelector('.dialog-root, dialog[open]');
    const root = dialog ?? document.body;
    const small = [
      ...root.querySelectorAll(
        'a[href], button, input:not([type=hidden]), select, textarea, summary, [role=slider], [role=gridcell][tabindex]',
      ),
    ]
      .filter((e) => isSeen(e) && !inSentence(e))
      .flatMap((e) => {
        // A box inside its label is hit by the label.
        const label = e.closest('label') ?? document.querySelector(`label[for="${CSS.escape(e.id || '-')}"]`);
        const boxes = [e, ...(label ? [label] : [])].map((x) => x.getBoundingClientRect());
        const width = Math.max(...boxes.map((b) => b.width));
        const height = Math.max(...boxes.map((b) => b.height));
        return width >= 23.5 && height >= 23.5 ? [] : [`${Math.round(width)} x ${Math.round(height)}: ${tell(e)}`];
      });
    const texts = new Set<string>();
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const parent = walker.currentNode.parentElement;
      if (!parent || (walker.currentNode.textContent ?? '').trim() === '' || !isSeen(parent)) continue;
      if (parent.closest('.sr, script, style, noscript')) continue;
      const px = Number.parseFloat(getComputedStyle(parent).fontSize);
      if (px < 11.95) texts.add(`${px} px: ${tell(parent)}`);
    }
    return [...new Set([...small, ...texts])].slice(0, 12);
  });
