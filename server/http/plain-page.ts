import { randomBytes } from 'node:crypto';
import { escapeHtml, htmlPage } from '../../core/html-page.ts';
import { STATUS_WORDS, statusKind } from '../../words/en/statuses.ts';

/** Headers that every answer has, of whatever kind; a route's own go over them. */
export const COMMON_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'cache-control': 'private, no-store',
};

export interface PlainAnswer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
}

const STYLE = `:root{color-scheme:light dark;--paper:#f7f2e9;--ink:#26212e;--soft:#665f70;--main:#7b2b5e}
@media(prefers-color-scheme:dark){:root{--paper:#1b171f;--ink:#f1ebe2;--soft:#b9afbb;--main:#d693bc}}
body{margin:0;background:var(--paper);color:var(--ink);font:18px/1.5 'Atkinson Hyperlegible Next Variable',system-ui,sans-serif}
main{max-width:34rem;margin:18vh auto 0;padding:0 1.5rem}h1{font-size:1.6rem;line-height:1.2;margin:0 0 .6rem}
p{margin:0 0 1rem}a{color:var(--main)}small{color:var(--soft)}`;

/** What an answer says of itself: which field is at fault, and why. */
export interface Told {
  readonly field?: string;
  readonly message?: string;
}

/** What a JSON answer of ours says of itself; nothing where it is something else. */
export async function toldIn(answer: Response): Promise<Told> {
  try {
    const { kind, field, message } = (await answer.json()) as { kind?: unknown; field?: unknown; message?: unknown };
    return kind === 'field' && typeof field === 'string' && typeof message === 'string' ? { field, message } : {};
  } catch {
    return {};
  }
}

/**
 * A page in words for what never gets as far as the application, or breaks underneath it. It needs no script, no database and
 * no file. To whoever doesn't ask for a page it says the same as JSON.
 */
export function plainAnswer(status: number, wantsPage: boolean, told: Told = {}): PlainAnswer {
  const { title, text } = STATUS_WORDS[told.field === undefined ? statusKind(status) : 'field'];
  const field =
    told.field === undefined ? '' : `<p><b>${escapeHtml(told.field)}</b>: ${escapeHtml(told.message ?? '')}</p>`;
  const headers = {
    ...COMMON_HEADERS,
    ...(status === 405 && { allow: 'GET, HEAD' }),
    ...(status === 503 && { 'retry-after': '2' }),
    ...(status === 429 && { 'retry-after': '20' }),
  };
  if (!wantsPage) {
    return {
      status,
      headers: { ...headers, 'content-type': 'application/json; charset=utf-8' },
      body: JSON.stringify({ ...told, message: told.message ?? `${title}. ${text}` }),
    };
  }
  const nonce = randomBytes(16).toString('base64');
  return {
    status,
    headers: {
      ...headers,
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': `default-src 'none'; style-src 'nonce-${nonce}'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`,
    },
    body: htmlPage({
      title: `${title} · Ysodos`,
      style: STYLE,
      nonce,
      body: `<h1>${title}</h1>${field}<p>${text}</p><p><a href="/">To the beginning</a></p><p><small>${status}</small></p>`,
    }),
  };
}
