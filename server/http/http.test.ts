import type { IncomingMessage } from 'node:http';
import { describe, expect, test } from 'vitest';
import { ADDRESS_HEADER } from './address-header.ts';
import { buildAddressOf, cleanHeaders } from './client-address.ts';
import { countFault, describeFault, faultCount } from './faults.ts';
import { plainAnswer, toldIn } from './plain-page.ts';
import { judgeRange, refuseRequest } from './refuse-request.ts';
import { buildRoutePattern, NO_ROUTE } from './route-pattern.ts';

const request = (more: Partial<Pick<IncomingMessage, 'method' | 'url' | 'headers' | 'rawHeaders'>>) => ({
  method: 'GET',
  url: '/',
  headers: { host: 'ysodos.example.org' },
  rawHeaders: ['Host', 'ysodos.example.org'],
  ...more,
});

describe('the first lines of a request', () => {
  test('make sense, or are refused', () => {
    expect(refuseRequest(request({}))).toBeUndefined();
    expect(refuseRequest(request({ url: '/p/x?a=%2F%2F', headers: { host: '[::1]:4310' } }))).toBeUndefined();
    for (const url of ['//', 'http://x/', '*', '', '/\\x', '/%zz', '/%E0%A4%A'])
      expect([url, refuseRequest(request({ url }))]).toEqual([url, 400]);
    for (const host of ['', 'a b', 'x:99999', 'a,b', 'a/b', 'user@x'])
      expect([host, refuseRequest(request({ headers: { host } }))]).toEqual([host, 400]);
    for (const method of ['TRACE', 'CONNECT', 'get', '']) expect(refuseRequest(request({ method }))).toBe(400);
    expect(refuseRequest(request({ rawHeaders: ['Host', 'a', 'host', 'b'] }))).toBe(400);
    expect(refuseRequest(request({ headers: { 'content-length': '2500000' } }))).toBeUndefined();
    expect(refuseRequest(request({ headers: { 'content-length': '2500001' } }))).toBe(413);
  });

  test.each([
    ['bytes=0-0', 'take'],
    ['bytes=5-', 'take'],
    ['bytes=5-4', 'refuse'],
    ['bytes=-5', 'pass'],
    ['bytes=0-1,4-5', 'pass'],
    ['lines=0-1', 'pass'],
    ['bytes=', 'refuse'],
  ] as const)('range %s: %s', (range, judged) => expect(judgeRange(range)).toBe(judged));
});

describe('who asks', () => {
  const from = (remoteAddress: string, forwarded?: string) =>
    ({
      socket: { remoteAddress },
      connection: { remoteAddress },
      headers: { 'x-forwarded-for': forwarded },
    }) as unknown as IncomingMessage;
  test('is the socket’s other end, unless a trusted proxy says another', () => {
    expect(buildAddressOf([])(from('10.0.0.1', '203.0.113.9'))).toBe('10.0.0.1');
    expect(buildAddressOf(['loopback'])(from('127.0.0.1', '203.0.113.9'))).toBe('203.0.113.9');
    expect(buildAddressOf(['loopback'])(from('127.0.0.1', '1.1.1.1, 203.0.113.9'))).toBe('203.0.113.9');
    expect(buildAddressOf(['loopback'])(from('10.0.0.1', '203.0.113.9'))).toBe('10.0.0.1');
    expect(() => buildAddressOf(['nobody'])).toThrow(TypeError);
  });
  test('can’t be forged by a header of ours', () => {
    const headers = cleanHeaders(
      ['Accept', 'a', 'X-Ysodos-Address', '9.9.9.9', 'x-forwarded-host', 'evil', 'Accept', 'b'],
      '10.0.0.1',
    );
    expect(headers.get(ADDRESS_HEADER)).toBe('10.0.0.1');
    expect(headers.get('accept')).toBe('a, b');
    expect(headers.has('x-forwarded-host')).toBe(false);
  });
});

test('logs hold the pattern of a route, whatever way a link is written', () => {
  const pattern = buildRoutePattern({
    root: { id: 'root', path: '' },
    today: { id: 'today', parentId: 'root', path: 'p/:token' },
    me: { id: 'me', parentId: 'root', path: 'p/:token/me/:page?' },
    day: { id: 'day', parentId: 'root', path: 'p/:token/:day' },
    out: { id: 'out', parentId: 'root', path: 'programmes/:id/out' },
    none: { id: 'none', parentId: 'root', path: '*' },
  });
  expect(pattern('/p/SECRET')).toBe('/p/:token');
  expect(pattern('/p/SECRET.data')).toBe('/p/:token');
  expect(pattern('/p/SECRET/me/')).toBe('/p/:token/me/:page?');
  expect(pattern('/p/SECRET/me/days')).toBe('/p/:token/me/:page?');
  expect(pattern('/p/SECRET/me/days/x')).toBe(NO_ROUTE);
  expect(pattern('/p/SECRET/w1d1')).toBe('/p/:token/:day');
  expect(pattern('/assets/x.js')).toBe('/assets/*');
  for (const path of ['/P/SECRET', '/%70/SECRET', '//p/SECRET', '/p//SECRET', '/p/SECRET/a/b', '/SECRET'])
    expect([path, pattern(path)]).toEqual([path, NO_ROUTE]);
});

describe('a page in words', () => {
  test('for every status, to whoever asks for one; JSON for the others', () => {
    expect(plainAnswer(405, false).headers).toMatchObject({ allow: 'GET, HEAD' });
    expect(plainAnswer(404, false).headers).not.toHaveProperty('allow');
    const page = plainAnswer(503, true);
    expect([page.status, page.headers['retry-after'], page.headers['cache-control']]).toEqual([
      503,
      '2',
      'private, no-store',
    ]);
    expect(page.body).toContain('<h1>One moment, please</h1>');
    expect(page.headers['content-security-policy']).toContain(`'nonce-${/nonce="([^"]+)"/.exec(page.body)![1]}'`);
    expect(JSON.parse(plainAnswer(400, false).body)).toEqual({
      message: expect.stringContaining('can’t be read') as string,
    });
  });
  test('names a field, and nothing in it is markup', async () => {
    const told = await toldIn(new Response(JSON.stringify({ kind: 'field', field: '<b>', message: 'a "NUL" & more' })));
    expect(plainAnswer(400, true, told).body).toContain('<b>&#60;b&#62;</b>: a &#34;NUL&#34; &#38; more');
    expect(await toldIn(new Response('x'))).toEqual({});
    expect(await toldIn(new Response('{"kind":"away","field":1}'))).toEqual({});
  });
});

test('an error in a log is its name, code and place, and none of its words', () => {
  const error = Object.assign(new Error('duplicate: secret@example.org\nat secret:1:1'), {
    code: '23505',
    constraint: 'coach_email_unique',
  });
  const described = describeFault(error);
  expect(described).toMatchObject({ name: 'Error', code: '23505', constraint: 'coach_email_unique' });
  expect(described.at.length).toBeGreaterThan(0);
  expect(JSON.stringify(described)).not.toContain('secret@');
  expect(describeFault('text')).toEqual({ name: 'thrown string', at: [] });
  const before = faultCount();
  countFault();
  expect(faultCount()).toBe(before + 1);
});
