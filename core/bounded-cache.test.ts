import { expect, test } from 'vitest';
import { BoundedCache } from './bounded-cache.ts';

test('remembers the keys used last, and no more of them than it was told', () => {
  const cache = new BoundedCache<string, number>(2);
  let computed = 0;
  const get = (key: string) => cache.get(key, () => ++computed);
  expect([get('a'), get('b'), get('a')]).toEqual([1, 2, 1]);
  expect(get('c')).toBe(3); // b was used least lately
  expect([get('a'), get('c'), cache.size]).toEqual([1, 3, 2]);
  expect(get('b')).toBe(4);
  expect(() => new BoundedCache(0)).toThrow(RangeError);
});

test('remembers undefined, and nothing that threw', () => {
  const cache = new BoundedCache<string, number | undefined>(3);
  let asked = 0;
  const none = () => {
    asked++;
    return undefined;
  };
  cache.get('none', none);
  cache.get('none', none);
  expect(asked).toBe(1);
  expect(() =>
    cache.get('broken', () => {
      throw new RangeError('x');
    }),
  ).toThrow(RangeError);
  expect(cache.get('broken', () => 7)).toBe(7);
});
