import { afterEach, describe, expect, test, vi } from 'vitest';
import type { KeptLog } from './outbox-store.ts';
import { forgetLog, keepLog, linkOf, logWords, nextMadeAtMs, readKept, sendLog, withLink } from './outbox-store.ts';

const makeStore = (fails = false): Storage => {
  const values = new Map<string, string>();
  return {
    getItem: (key: string) => values.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (fails) throw new Error('quota');
      values.set(key, value);
    },
  } as unknown as Storage;
};
const LOG: KeptLog = {
  clientId: 'a',
  url: 'https://ysodos.example.org/p/OLD/w2d3/log',
  body: 'client-id=a&outcome=part&share=50&remark=my+knee&score-1-time=3%3A04',
  madeAtMs: 1000,
};

afterEach(() => vi.unstubAllGlobals());

describe('what is kept', () => {
  test('stays until it is forgotten by name, and is replaced by the same log corrected', () => {
    const store = makeStore();
    expect(keepLog(LOG, store)).toBe(true);
    keepLog({ ...LOG, clientId: 'b' }, store);
    keepLog({ ...LOG, problem: 'no' }, store);
    expect(readKept(store).map((k) => [k.clientId, k.problem])).toEqual([
      ['b', undefined],
      ['a', 'no'],
    ]);
    forgetLog('b', store);
    expect(readKept(store)).toEqual([{ ...LOG, problem: 'no' }]);
  });

  test('a device that keeps nothing says so; one with nonsense in it holds nothing', () => {
    expect(keepLog(LOG, makeStore(true))).toBe(false);
    for (const text of ['x', '{}', '[null, 7, {"clientId": 3}]']) {
      const store = makeStore();
      store.setItem('ysodos-kept-logs', text);
      expect(readKept(store)).toEqual([]);
    }
  });

  test('an older version’s logs are taken over', () => {
    const store = makeStore();
    store.setItem('ysodos-kept-logs', JSON.stringify([{ clientId: 'a', url: LOG.url, body: LOG.body }]));
    expect(readKept(store)).toMatchObject([{ clientId: 'a', body: LOG.body }]);
  });

  test('a later log is later, even where the clock was set back', () => {
    expect(nextMadeAtMs(5000, [])).toBe(5000);
    expect(nextMadeAtMs(500, [LOG, { ...LOG, madeAtMs: 900 }])).toBe(1001);
  });
});

describe('sending', () => {
  const answer = (response: object) => {
    const fetched = vi.fn<(url: string, init: { body: string }) => Promise<object>>(() => Promise.resolve(response));
    vi.stubGlobal('fetch', fetched);
    return fetched;
  };

  test('says how long it waited on the device, by the device’s own clock', async () => {
    const fetched = answer({ type: 'opaqueredirect' });
    expect(await sendLog(LOG, 61_000)).toEqual({ status: 'stored' });
    const sent = new URLSearchParams(fetched.mock.calls[0]![1].body);
    expect([sent.get('made-at'), sent.get('sent-at'), sent.get('remark')]).toEqual(['1000', '61000', 'my knee']);
  });

  test.each([400, 403, 404, 413, 418])('%i is refused with a reason, never taken for sent', async (status) => {
    answer({ status, ok: false });
    expect(await sendLog(LOG)).toMatchObject({
      status: 'refused',
      httpStatus: status,
      problem: expect.any(String) as string,
    });
  });

  test.each([429, 500, 503])('%i is tried again later', async (status) => {
    answer({ status, ok: false });
    expect(await sendLog(LOG)).toEqual({ status: 'kept' });
  });

  test('without network it is kept', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')));
    expect(await sendLog(LOG)).toEqual({ status: 'kept' });
  });
});

test('a log goes with another link of the same person, on the same day', () => {
  expect(linkOf(LOG.url)).toBe('OLD');
  expect(linkOf('/programmes/1')).toBeUndefined();
  expect(withLink({ ...LOG, problem: 'x' }, 'NEW')).toEqual({
    ...LOG,
    url: 'https://ysodos.example.org/p/NEW/w2d3/log',
  });
});

test('it can be told in words', () => {
  const words = logWords(LOG);
  for (const part of ['w2d3', 'how much: part', 'about (%): 50', 'a word to the coach: my knee', '1-time: 3:04'])
    expect(words).toContain(part);
  expect(logWords({ ...LOG, body: 'outcome=done&share=50' })).not.toContain('about');
});
