import { afterEach, describe, expect, test, vi } from 'vitest';
import type { KeptLog } from './outbox-store.ts';
import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { linkOf, logWords, nextMadeAtMs, sendLog, withLink } from './outbox-store.ts';

/** A browser of its own: its stores, with what an older version left there. */
const browser = async (old?: string) => {
  vi.resetModules();
  vi.stubGlobal('indexedDB', new IDBFactory());
  const values = new Map(old === undefined ? [] : [['ysodos-kept-logs', old]]);
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => values.get(key) ?? null,
    removeItem: (key: string) => values.delete(key),
  });
  const told: string[] = [];
  vi.stubGlobal('window', { dispatchEvent: (event: Event) => told.push(event.type) });
  return { ...(await import('./outbox-store.ts')), values, told };
};
const LOG: KeptLog = {
  clientId: 'a',
  url: 'https://ysodos.example.org/p/OLD/w2d3/log',
  body: 'client-id=a&outcome=part&share=50&remark=my+knee&score-1-time=3%3A04',
  madeAtMs: 1000,
};

afterEach(() => vi.unstubAllGlobals());

describe('what is kept', () => {
  test('stays until it is forgotten by name, and is replaced by the same log corrected', async () => {
    const { keepLog, readKept, forgetLog, told } = await browser();
    expect(await keepLog(LOG)).toBe(true);
    await keepLog({ ...LOG, clientId: 'b', madeAtMs: 500 });
    await keepLog({ ...LOG, problem: 'no' });
    expect((await readKept()).map((k) => [k.clientId, k.problem])).toEqual([
      ['b', undefined],
      ['a', 'no'],
    ]);
    await forgetLog('b');
    expect(await readKept()).toEqual([{ ...LOG, problem: 'no' }]);
    expect(told).toEqual(Array(4).fill('ysodos-kept'));
  });

  test('a device that keeps nothing says so, and holds nothing', async () => {
    const { keepLog, readKept, forgetLog } = await browser();
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new Error('private window');
      },
    });
    expect(await keepLog(LOG)).toBe(false);
    expect(await readKept()).toEqual([]);
    await forgetLog('a');
  });

  test('what arrived is shown for two weeks, without its problem, and waits no more', async () => {
    const { keepLog, readKept, markArrived, isWaiting, SHOW_ARRIVED_MS } = await browser();
    await keepLog({ ...LOG, problem: 'no' });
    await markArrived({ ...LOG, problem: 'no' }, 5000);
    const [arrived] = await readKept();
    expect(arrived).toEqual({ ...LOG, arrivedAtMs: 5000 });
    expect([isWaiting(arrived!), isWaiting(LOG), isWaiting({ ...LOG, problem: 'no' })]).toEqual([false, true, false]);
    await markArrived({ ...LOG, clientId: 'b' }, 5000 + SHOW_ARRIVED_MS);
    expect(await readKept()).toHaveLength(2);
    await markArrived({ ...LOG, clientId: 'c' }, 5001 + SHOW_ARRIVED_MS);
    expect((await readKept()).map((k) => k.clientId).sort()).toEqual(['b', 'c']);
  });

  test('an older version’s logs are taken over once; nonsense in its place is left', async () => {
    const { readKept, values } = await browser(JSON.stringify([{ clientId: 'a', url: LOG.url, body: LOG.body }, 7]));
    expect(await readKept()).toMatchObject([{ clientId: 'a', body: LOG.body }]);
    expect(values.size).toBe(0);
    for (const text of ['x', '{}', '[null, 7, {"clientId": 3}]'])
      expect(await (await browser(text)).readKept()).toEqual([]);
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
