/** Text as it may stand in HTML, between tags or in an attribute's quotation marks. */
export const escapeHtml = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A whole page that needs nothing else: no script, no picture, no file. `title` is text; `style` and `body` are taken as they are. */
export const htmlPage = (of: {
  readonly title: string;
  readonly style: string;
  readonly body: string;
  /** For a policy that lets only this style through. */
  readonly nonce?: string;
}): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="color-scheme" content="light dark"><meta name="robots" content="noindex"><title>${escapeHtml(of.title)}</title><style${of.nonce === undefined ? '' : ` nonce="${escapeHtml(of.nonce)}"`}>${of.style}</style></head><body><main>${of.body}</main></body></html>\n`;
