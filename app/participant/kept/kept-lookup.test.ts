import { describe, expect, test } from 'vitest';
import { assetsIn, keptNow, keptPathOf, offlinePage, todayAt } from './kept-lookup.ts';

const HOUR = 3_600_000;
const day = (key: string, fromH: number, untilH: number) => ({
  key,
  words: '14 May',
  title: `Legs & <b>${key}</b>`,
  opensMs: fromH * HOUR,
  fromMs: fromH * HOUR,
  untilMs: untilH * HOUR,
});
const DAYS = [day('w1d1', 6, 24), day('w1d3', 54, 72)];
const path = (pathname: string, hour: number) => keptPathOf(DAYS, 'TOK', pathname, hour * HOUR);

describe('which kept page answers an address', () => {
  test.each<[string, number, string | undefined]>([
    ['/p/TOK', 6, '/p/TOK?on=w1d1'],
    ['/p/TOK/', 23.9, '/p/TOK?on=w1d1'],
    ['/p/TOK', 5.9, undefined],
    ['/p/TOK', 24, undefined],
    ['/p/TOK', 60, '/p/TOK?on=w1d3'],
    ['/p/TOK/w1d1', 100, '/p/TOK/w1d1'],
    ['/p/TOK/w1d3', 53, undefined],
    ['/p/TOK/w1d3/clock', 54, '/p/TOK/w1d3/clock'],
    ['/p/TOK/w1d3/log', 54, '/p/TOK/w1d3/log'],
    ['/p/TOK/w1d3/else', 54, undefined],
    ['/p/TOK/w9d9', 54, undefined],
    ['/p/TOK/me', 0, '/p/TOK/me'],
    ['/p/TOK/me/days', 0, '/p/TOK/me/days'],
    ['/p/TOK/me/else', 0, undefined],
    ['/p/TOK/weeks', 0, '/p/TOK/weeks'],
  ])('%s at hour %s: %s', (pathname, hour, kept) => expect(path(pathname, hour)).toBe(kept));
  test('a day of its own hours is today’s from its release to midnight', () => {
    expect(todayAt(DAYS, 6 * HOUR)!.key).toBe('w1d1');
    expect(todayAt(DAYS, 30 * HOUR)).toBeUndefined();
  });
});

test('a device’s wrong clock moves nothing: the server’s hour counts, and what has run since', () => {
  expect(keptNow(1000, 90_000, 95_000)).toBe(6000);
  expect(keptNow(1000, 90_000, 80_000)).toBe(1000);
});

test('the page without network says what is kept and open, and when the asked day opens; names are text', () => {
  const closed = offlinePage(DAYS, 'TOK', '/p/TOK/w1d3', 7 * HOUR);
  expect(closed).toContain('opens at its hour');
  expect(closed).toContain('href="/p/TOK/w1d1"');
  expect(closed).not.toContain('href="/p/TOK/w1d3"');
  expect(closed).not.toContain('<b>');
  expect(offlinePage([], 'TOK', '/p/TOK', 0)).toContain('Nothing is kept here for today.');
  expect(offlinePage([], 'TOK', '/p/TOK/me', 0)).toContain('This page isn’t kept on this phone.');
});

test('our own files in a page, a style sheet and a script are found once each', () => {
  const text = `<link href="/assets/base-a1.css"><script>import "/assets/x_b-2.js";["assets/y.js"]</script>url(/assets/f.woff2) "/assets/x_b-2.js"`;
  expect(assetsIn(text)).toEqual(['/assets/base-a1.css', '/assets/x_b-2.js', '/assets/y.js', '/assets/f.woff2']);
  expect(assetsIn('https://example.org/asset/a.js')).toEqual([]);
});
