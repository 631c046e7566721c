import { EventEmitter } from 'node:events';
import type { IncomingMessage } from 'node:http';
import { expect, test } from 'vitest';
import { UnfinishedBodies } from './unfinished.ts';

const request = (headers: Record<string, string> = { 'content-length': '9' }, complete = false) =>
  Object.assign(new EventEmitter(), { headers, complete }) as unknown as IncomingMessage & EventEmitter;

test('so many of one network, so many in all, each until it has arrived or its client is gone', () => {
  const bodies = new UnfinishedBodies({ ofOne: 2, inAll: 3 });
  const [a, b, c] = [request(), request(), request()];
  expect([bodies.begin(a, 'x'), bodies.begin(b, 'x'), bodies.begin(request(), 'x')]).toEqual([true, true, false]);
  expect([bodies.begin(c, 'y'), bodies.begin(request(), 'z')]).toEqual([true, false]);
  a.emit('end');
  a.emit('close');
  expect([bodies.begin(request(), 'x'), bodies.begin(request(), 'z')]).toEqual([true, false]);
  c.emit('close');
  expect(bodies.begin(request({ 'transfer-encoding': 'chunked' }), 'z')).toBe(true);
});

test('what has no body, or has all of it, isn’t counted', () => {
  const bodies = new UnfinishedBodies({ ofOne: 0, inAll: 0 });
  expect([bodies.begin(request({}), 'x'), bodies.begin(request({ 'content-length': '0' }), 'x')]).toEqual([true, true]);
  expect(bodies.begin(request({ 'content-length': '5' }, true), 'x')).toBe(true);
  expect(bodies.begin(request(), 'x')).toBe(false);
});

test('what comes too slowly is cut off after its first seconds, and makes room; what comes steadily goes on', () => {
  const bodies = new UnfinishedBodies({ ofOne: 2, inAll: 2 });
  const slowest = { bytesPerSec: 200, graceMs: 5_000 };
  const destroyed: string[] = [];
  const at = (name: string) => {
    const socket = { bytesRead: 1_000 };
    const one = Object.assign(request(), { socket, destroy: () => void (destroyed.push(name), one.emit('close')) });
    return Object.assign(one, { feed: (bytes: number) => (socket.bytesRead += bytes) });
  };
  const [slow, steady] = [at('slow'), at('steady')];
  expect([bodies.begin(slow, 'x', 0), bodies.begin(steady, 'x', 0)]).toEqual([true, true]);
  // Nothing yet, but it has a while to begin.
  expect(bodies.cutSlow(slowest, 5_000)).toBe(0);
  slow.feed(1_199);
  steady.feed(1_200);
  expect(bodies.begin(request(), 'x', 6_000)).toBe(false);
  expect([bodies.cutSlow(slowest, 6_000), destroyed]).toEqual([1, ['slow']]);
  expect(bodies.cutSlow(slowest, 6_000)).toBe(0);
  expect(bodies.begin(request(), 'x', 6_000)).toBe(true);
  steady.feed(799);
  expect([bodies.cutSlow(slowest, 10_000), destroyed]).toEqual([1, ['slow', 'steady']]);
});
