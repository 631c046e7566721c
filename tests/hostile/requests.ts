/**
 * What a stranger may send, and what they get. Later work adds its rows here. `raw` goes over the wire as it stands; `TOKEN` in it is
 * a personal link that works.
 */
export interface HostileRequest {
  readonly name: string;
  readonly raw: string;
  readonly status: readonly number[];
}

const get = (path: string, headers = 'Host: 127.0.0.1') =>
  `GET ${path} HTTP/1.1\r\n${headers}\r\nAccept: text/html\r\nConnection: close\r\n\r\n`;
const post = (path: string, body: string, headers = '') =>
  `POST ${path} HTTP/1.1\r\nHost: HOST\r\nOrigin: http://HOST\r\nAccept: text/html\r\nContent-Length: ${Buffer.byteLength(body)}\r\n${headers}Connection: close\r\n\r\n${body}`;
const FORM = 'Content-Type: application/x-www-form-urlencoded\r\n';

export const HOSTILE_REQUESTS: readonly HostileRequest[] = [
  ...['//', '///', '//[', 'http://[/', '//evil.example/programmes/1/people', '/\\evil.example', '*', 'x'].map(
    (path) => ({
      name: `address ${path}`,
      raw: get(path),
      status: [400],
    }),
  ),
  ...['/%', '/%E0%A4%A', '/p/%FF', '/%00'].map((path) => ({
    name: `address ${path}`,
    raw: get(path),
    status: [400, 404],
  })),
  ...['a b', '', 'x:99999', 'x/y', 'a@b', '[::1', 'x\u0001'].map((host) => ({
    name: `host ${JSON.stringify(host)}`,
    raw: get('/', `Host: ${host}`),
    status: [400],
  })),
  ...[
    'today-line',
    'records.csv',
    'insights.json',
    'summary',
    'follow-up/next',
    'follow-up/next/1?by=2',
    'follow-up/person/1',
  ].map((path) => ({
    name: `${path} without sign-in`,
    raw: get(`/programmes/1/${path}`),
    status: [302],
  })),
  ...['/p/unknown/team', '/p/TOKEN/team/x'].map((path) => ({ name: `address ${path}`, raw: get(path), status: [404] })),
  { name: 'two hosts', raw: get('/', 'Host: a\r\nHost: b'), status: [400] },
  { name: 'no host', raw: get('/', 'X: y'), status: [400] },
  ...['TRACE', 'TRACK', 'PROPFIND', 'BREW'].map((method) => ({
    name: `method ${method}`,
    raw: get('/').replace('GET', method),
    status: [400],
  })),
  ...['PUT', 'DELETE', 'PATCH'].map((method) => ({
    name: `method ${method}`,
    raw: get('/sign-in').replace('GET', method),
    status: [400, 403, 405],
  })),
  ...['/robots.txt', '/favicon.ico', '/apple-touch-icon.png'].map((path) => ({
    name: `asked for by itself: ${path}`,
    raw: get(path, 'Host: h'),
    status: [200],
  })),
  { name: 'a range of lines', raw: get('/icon.svg', 'Host: h\r\nRange: lines=1-2'), status: [200] },
  ...['bytes=100-5', 'bytes=x', 'bytes=', 'bytes=99999999-'].map((range) => ({
    name: `range ${range}`,
    raw: get('/icon.svg', `Host: h\r\nRange: ${range}`),
    status: [416],
  })),
  { name: 'range from the end', raw: get('/icon.svg', 'Host: h\r\nRange: bytes=-5'), status: [200] },
  { name: 'range', raw: get('/icon.svg', 'Host: h\r\nRange: bytes=0-3'), status: [206] },
  { name: 'whatever is had of a file', raw: get('/icon.svg', 'Host: h\r\nIf-None-Match: *'), status: [304] },
  {
    name: 'a file since tomorrow',
    raw: get('/icon.svg', 'Host: h\r\nIf-Modified-Since: Fri, 01 Jan 2100 00:00:00 GMT'),
    status: [304],
  },
  {
    name: 'a file since long ago',
    raw: get('/icon.svg', 'Host: h\r\nIf-Modified-Since: Sat, 01 Jan 2000 00:00:00 GMT'),
    status: [200],
  },
  { name: 'a file since no date', raw: get('/icon.svg', 'Host: h\r\nIf-Modified-Since: rubbish'), status: [200] },
  { name: 'another state of a file', raw: get('/icon.svg', 'Host: h\r\nIf-Match: "other"'), status: [412] },
  {
    name: 'a tag goes before a date',
    raw: get('/icon.svg', 'Host: h\r\nIf-None-Match: "x"\r\nIf-Modified-Since: Fri, 01 Jan 2100 00:00:00 GMT'),
    status: [200],
  },
  ...['null', 'https://mail.example', 'no origin'].map((origin) => ({
    name: `one click ends messages, from ${origin}`,
    raw: `POST /stop/01234567-89ab-4def-8123-456789abcdef HTTP/1.1\r\nHost: h\r\nOrigin: ${origin}\r\n${FORM}Content-Length: 26\r\nConnection: close\r\n\r\nList-Unsubscribe=One-Click`,
    // No such key is known; the one of someone is pressed in tests/browser/messages.test.ts.
    status: [404],
  })),
  { name: 'a header that is none', raw: get('/', 'Host: h\r\nno header'), status: [400] },
  { name: '80 kB of headers', raw: get('/', `Host: h\r\nX: ${'y'.repeat(80_000)}`), status: [400, 431] },
  {
    name: 'a cookie of nonsense',
    raw: get('/programmes', 'Host: h\r\nCookie: ysodos_coach=%E0%A4%A; =; ;;'),
    status: [302],
  },
  { name: 'an unknown address', raw: get('/nothing/here'), status: [404] },
  { name: 'an unknown link', raw: get(`/p/${'A'.repeat(27)}`), status: [404] },
  { name: 'a link in capitals', raw: get('/P/TOKEN'), status: [200, 404] },
  { name: 'a link behind two slashes', raw: get('/p//TOKEN'), status: [404] },
  {
    name: 'a body announced as 250 MB',
    raw: post('/sign-in', '', `${FORM}`).replace('Content-Length: 0', 'Content-Length: 250000000'),
    status: [413],
  },
  { name: 'a form of 65 kB', raw: post('/sign-in', `email=${'x'.repeat(65_000)}`, FORM), status: [413] },
  { name: 'a form of 65 kB for a link', raw: post('/p/TOKEN/me', `x=${'x'.repeat(65_000)}`, FORM), status: [413] },
  {
    name: 'a form in pieces, without end',
    raw: `POST /sign-in HTTP/1.1\r\nHost: HOST\r\nOrigin: http://HOST\r\nAccept: text/html\r\n${FORM}Transfer-Encoding: chunked\r\nConnection: close\r\n\r\n${`2000\r\n${'x'.repeat(0x2000)}\r\n`.repeat(20)}`,
    status: [413],
  },
  {
    name: 'a form for a coach, without sign-in',
    raw: post('/programmes', `x=${'x'.repeat(60_000)}`, FORM),
    status: [302],
  },
  { name: 'a body that is no form', raw: post('/sign-in', '{}', 'Content-Type: application/json\r\n'), status: [400] },
  { name: 'a form without a kind', raw: post('/sign-in', 'email=x'), status: [400] },
  {
    name: 'a form in parts without a boundary',
    raw: post('/sign-in', 'x', 'Content-Type: multipart/form-data\r\n'),
    status: [400],
  },
  {
    name: 'a form in parts that ends in the middle',
    raw: post(
      '/sign-in',
      '--b\r\nContent-Disposition: form-data; name="email"\r\n\r\nx',
      'Content-Type: multipart/form-data; boundary=b\r\n',
    ),
    status: [400],
  },
  { name: 'a NUL in an address', raw: post('/sign-in', 'email=a%00%40b.example&password=x', FORM), status: [400] },
  { name: 'a NUL in the name of a field', raw: post('/sign-in', '%00=x', FORM), status: [400] },
  { name: '3,000 fields', raw: post('/sign-in', 'a=1&'.repeat(3000), FORM), status: [400] },
  {
    name: 'another origin',
    raw: post('/sign-in', 'email=x', FORM).replace('http://HOST', 'https://evil.example'),
    status: [400, 403],
  },
  { name: 'no origin', raw: post('/sign-in', 'email=x', FORM).replace('Origin: http://HOST\r\n', ''), status: [403] },
  { name: 'a way back elsewhere', raw: get('/sign-in?to=//evil.example'), status: [200] },
];
