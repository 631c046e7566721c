import { expect, test } from 'vitest';
import { SaveOrder, saverOf } from './save-order.ts';

const later = () => {
  let end!: (fail?: Error) => void;
  const promise = new Promise<void>((done, failed) => (end = (fail) => (fail ? failed(fail) : done())));
  return { promise, end };
};

test('a page waits for the saves of its own person that are under way, and for nobody else’s', async () => {
  const order = new SaveOrder(10_000);
  const [first, second] = [later(), later()];
  const saves = [order.save('ada', () => first.promise), order.save('ada', () => second.promise)];
  let isOpen = false;
  const page = order.settled('ada').then(() => (isOpen = true));
  await order.settled('ben');
  first.end();
  await saves[0];
  expect(isOpen).toBe(false);
  second.end(new Error('refused'));
  await expect(saves[1]).rejects.toThrow('refused');
  await page;
  expect(isOpen).toBe(true);
  // Nothing is left behind.
  await order.settled('ada');
});

test('a save that never ends holds a page only as long as patience lasts', async () => {
  const order = new SaveOrder(20);
  void order.save('ada', () => new Promise(() => undefined));
  await order.settled('ada');
});

test('a saver is told by a personal link or by a coach’s session', () => {
  expect(saverOf('/p/abc/me?kept=kit', '')).toBe('abc');
  expect(saverOf('/p/abc.data', 'ysodos_coach=xyz')).toBe('abc');
  expect(saverOf('/programmes', 'theme=dark; ysodos_coach=xyz; a=b')).toBe('xyz');
  expect(saverOf('/programmes', '__Host-ysodos_coach=xyz')).toBe('xyz');
  expect(saverOf('/sign-in', 'not_ysodos_coach=xyz')).toBeUndefined();
});
