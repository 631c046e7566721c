import { expect, test } from 'vitest';
import { escapeHtml, htmlPage } from './html-page.ts';

test('nothing of a title gets out of it', () => {
  const page = htmlPage({ title: `</title><script>"'&`, style: 'p{}', body: '<p>x</p>', nonce: '"><b>' });
  expect(page).toContain('<title>&#60;/title&#62;&#60;script&#62;&#34;&#39;&#38;</title>');
  expect(page).toContain('<style nonce="&#34;&#62;&#60;b&#62;">p{}</style>');
  expect(page).toContain('<main><p>x</p></main>');
});

test('a page without a policy has no nonce, and text without a sign stays as it is', () => {
  expect(htmlPage({ title: 'x', style: '', body: '' })).toContain('<style></style>');
  expect(escapeHtml('Öl, 漢字 – 5')).toBe('Öl, 漢字 – 5');
});
