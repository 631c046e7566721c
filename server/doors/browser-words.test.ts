import { expect, test } from 'vitest';
import { browserWords } from './browser-words.ts';

test.each([
  ['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'],
  [
    'Mozilla/5.0 (iPhone; CPU iPhone OS 17_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/17.5 Mobile/15E148 Safari/604.1',
    'Safari on iOS',
  ],
  ['something else', 'An unknown browser'],
  ['', 'An unknown browser'],
  [null, 'An unknown browser'],
])('%s', (agent, words) => {
  expect(browserWords(agent)).toBe(words);
});

test('whatever a browser says of itself, it is short, and no markup', () => {
  for (const agent of [
    '<script>alert(1)</script>/1',
    'x'.repeat(100_000),
    'Mozilla/5.0 (\u202e\u0000\n)',
    '('.repeat(5000),
  ]) {
    const words = browserWords(agent);
    expect(words.length).toBeLessThanOrEqual(80);
    expect(words).not.toMatch(/[<>\n\u202e]/);
  }
});
