import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { DraftAnswer } from './draft-saver.ts';
import { DraftSaver } from './draft-saver.ts';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

/** A server that counts revisions, and can be told to fail. */
function server(answers: (DraftAnswer | Error)[] = []) {
  const posted: { text: string; revision: number }[] = [];
  const saver = new DraftSaver({ text: 'a', revision: 1 }, async (draft) => {
    posted.push(draft);
    const answer = answers.shift();
    if (answer instanceof Error) throw answer;
    return answer ?? { revision: draft.revision + 1 };
  });
  return { posted, saver };
}

test('what is typed is saved once, a moment after the last letter', async () => {
  const { posted, saver } = server();
  saver.change('ab');
  await vi.advanceTimersByTimeAsync(300);
  saver.change('abc');
  expect(saver.state.kind).toBe('typing');
  await vi.advanceTimersByTimeAsync(800);
  expect(posted).toEqual([{ text: 'abc', revision: 1 }]);
  expect(saver.state.kind).toBe('saved');
  expect(saver.revision).toBe(2);
});

test('typed while saving: saved again, on the new revision', async () => {
  const { posted, saver } = server();
  saver.change('ab');
  const saving = saver.save();
  saver.change('abc');
  expect(await saving).toBe(true);
  expect(posted).toEqual([
    { text: 'ab', revision: 1 },
    { text: 'abc', revision: 2 },
  ]);
});

test('without a network the text stays and is tried again until it is stored', async () => {
  const { posted, saver } = server([new TypeError('no network'), new TypeError('no network')]);
  saver.change('ab');
  await vi.advanceTimersByTimeAsync(800);
  expect(saver.state.kind).toBe('offline');
  expect(saver.hasUnsaved).toBe(true);
  await vi.advanceTimersByTimeAsync(9000);
  expect(posted).toHaveLength(3);
  expect(saver.state.kind).toBe('saved');
});

test('a save that came through while its answer was lost is no conflict when it is tried again', async () => {
  const { posted, saver } = server([new TypeError('connection lost'), { stale: { text: 'ab', revision: 2 } }]);
  saver.change('ab');
  await vi.advanceTimersByTimeAsync(6000);
  expect(posted).toEqual([
    { text: 'ab', revision: 1 },
    { text: 'ab', revision: 1 },
  ]);
  expect(saver.state.kind).toBe('saved');
  saver.change('abc');
  await vi.advanceTimersByTimeAsync(1000);
  expect(posted.at(-1)).toEqual({ text: 'abc', revision: 2 });
});

test('a conflict stops saving until it is settled, and nothing typed is lost', async () => {
  const { posted, saver } = server([{ stale: { text: 'theirs', revision: 7 } }]);
  saver.change('mine');
  await vi.advanceTimersByTimeAsync(800);
  expect(saver.state).toEqual({ kind: 'stale', theirs: 'theirs', revision: 7 });
  saver.change('mine too');
  await vi.advanceTimersByTimeAsync(5000);
  expect(posted).toHaveLength(1);
  saver.settle(7);
  await vi.advanceTimersByTimeAsync(0);
  expect(posted.at(-1)).toEqual({ text: 'mine too', revision: 7 });
  expect(saver.state.kind).toBe('saved');
});

test('taking theirs saves nothing; a refusal names its reason', async () => {
  const { posted, saver } = server([{ stale: { text: 'theirs', revision: 7 } }, { message: 'too large' }]);
  saver.change('mine');
  await vi.advanceTimersByTimeAsync(800);
  saver.settle(7, 'theirs');
  await vi.advanceTimersByTimeAsync(0);
  expect(posted).toHaveLength(1);
  expect(saver.state.kind).toBe('saved');
  saver.change('long');
  expect(await saver.save()).toBe(false);
  expect(saver.state).toEqual({ kind: 'refused', message: 'too large' });
});
