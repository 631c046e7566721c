import { describe, expect, test } from 'vitest';
import { FairQueue } from './fair-queue.ts';

/** Work that ends when it is told to, and notes that it has begun. */
function bench(queue: FairQueue) {
  const begun: string[] = [];
  let end = () => {};
  const run = (lane: string, name: string, isFirst = false) =>
    queue.run(
      lane,
      () => {
        begun.push(name);
        return new Promise<string>((resolve) => (end = () => resolve(name)));
      },
      isFirst,
    );
  /** Ends what is under way, as often as it takes. */
  const drain = async (times: number) => {
    for (let i = 0; i < times; i++) {
      end();
      await new Promise((resolve) => setImmediate(resolve));
    }
  };
  return { begun, run, drain };
}

describe('a fair queue', () => {
  test('takes lanes in turn, however full one of them is', async () => {
    const { begun, run, drain } = bench(new FairQueue({ mostOfLane: 10, most: 100 }));
    for (const n of [1, 2, 3, 4]) void run('flood', `flood ${n}`);
    void run('one', 'one');
    void run('two', 'two');
    await drain(6);
    expect(begun).toEqual(['flood 1', 'flood 2', 'one', 'two', 'flood 3', 'flood 4']);
  });

  test('gives every second turn to who goes first, and none goes without', async () => {
    const { begun, run, drain } = bench(new FairQueue({ mostOfLane: 100, most: 1000 }));
    for (let n = 0; n < 20; n++) void run(`stranger ${n}`, 's');
    for (let n = 0; n < 3; n++) void run(`known ${n}`, 'K', true);
    await drain(30);
    expect(begun.join('')).toBe('sKsKsK' + 's'.repeat(17));
  });

  test('refuses above its limits, but a lane that goes first only above its own', async () => {
    const { begun, run, drain } = bench(new FairQueue({ mostOfLane: 2, most: 3 }));
    void run('a', 'a1');
    void run('a', 'a2');
    void run('a', 'a3');
    expect(await run('a', 'a4')).toBeUndefined();
    void run('b', 'b1');
    expect(await run('c', 'c1')).toBeUndefined();
    const known = run('k', 'k1', true);
    void run('k', 'k2', true);
    expect(await run('k', 'k3', true)).toBeUndefined();
    await drain(6);
    expect(await known).toBe('k1');
    expect(begun).toEqual(['a1', 'k1', 'a2', 'k2', 'b1', 'a3']);
  });

  test('does several at once, but of one lane only as many as that may', async () => {
    const queue = new FairQueue({ atOnce: 3, atOnceOfLane: 1, mostOfLane: 9, most: 99 });
    let now = 0;
    let most = 0;
    const own = new Map<string, number>();
    const work = (lane: string) =>
      queue.run(lane, async () => {
        most = Math.max(most, ++now);
        own.set(lane, (own.get(lane) ?? 0) + 1);
        expect(own.get(lane)).toBe(1);
        await new Promise((resolve) => setTimeout(resolve, 2));
        own.set(lane, own.get(lane)! - 1);
        now--;
        return lane;
      });
    const done = await Promise.all(['a', 'a', 'a', 'b', 'a', 'c', 'd', 'b', 'a'].map(work));
    expect(done.join('')).toBe('aaabacdba');
    expect(most).toBe(3);
  });

  test('goes on after work that fails, and begins at once where nothing waits', async () => {
    const queue = new FairQueue({ mostOfLane: 1, most: 1 });
    const failed = queue.run('a', () => Promise.reject(new Error('no')));
    const next = queue.run('b', () => Promise.resolve('b'));
    await expect(failed).rejects.toThrow('no');
    expect(await next).toBe('b');
    expect(await queue.run('c', () => Promise.resolve('c'))).toBe('c');
  });
});
