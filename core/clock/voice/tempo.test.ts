import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import { buildStages } from '../build-stages.ts';
import { nextCallInMs, runClock, startClock } from '../clock.ts';
import type { Call } from './calls.ts';
import { likelyCalls } from './likely-calls.ts';
import { tempoWord } from './tempo.ts';

/** What is counted in a session that runs to `untilSec`, as `second word`. */
function counted(text: string, untilSec: number): string[] {
  const { plan, blocks, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  const stages = buildStages(plan, blocks);
  let state = startClock(0);
  const calls: (Call & { at: number })[] = [];
  for (let ms = 0; ms <= untilSec * 1000;) {
    const run = runClock(state, 'tick', stages, ms);
    state = run.state;
    calls.push(...run.calls.map((c) => ({ ...c, at: ms / 1000 })));
    ms += Math.max(1, Math.min(nextCallInMs(state, stages, ms) ?? 1000, 1000));
  }
  return calls.filter((c) => c.cue === 'tempo').map((c) => `${Math.round(c.at)} ${c.words}`);
}

test('a repetition is counted by its parts', () => {
  const words = (downSec: number, pauseSec: number, upSec: number) =>
    Array.from({ length: downSec + pauseSec + upSec }, (_, s) => tempoWord({ downSec, pauseSec, upSec, reps: 1 }, s));
  expect(words(4, 1, 2)).toEqual(['down', 'two', 'three', 'four', 'pause', 'up', 'two']);
  expect(words(3, 0, 1)).toEqual(['down', 'two', 'three', 'up']);
  expect(words(0, 2, 1)).toEqual(['pause', 'two', 'up']);
  expect(words(12, 0, 1)[11]).toBe('12');
});

test('at one’s own pace all repetitions are counted, once what begins was said', () => {
  expect(counted('Main: flow\n2 squat, tempo 2-1-1\n', 40)).toEqual([
    '9 down',
    '10 two',
    '11 pause',
    '12 up',
    '13 down',
    '14 two',
    '15 pause',
    '16 up',
  ]);
});

test('in an interval it is counted until the counting down, and not over a change of sides', () => {
  const all = counted('Main: work 0:20\nsquat, tempo 2-0-1\n', 30);
  expect([all[0], all.at(-1), all.length]).toEqual(['9 down', '21 down', 13]);
  const sides = counted('Main: work 0:20\neach side split squat, tempo 2-0-1\n', 30);
  expect(sides.some((s) => s.startsWith('15 '))).toBe(false);
});

test('without a tempo nothing is counted; the likely script leaves it out', () => {
  expect(counted('Main: flow\n8 squat\n', 30)).toEqual([]);
  const { plan, blocks } = analyseText('Main: flow\n2 squat, tempo 2-1-1\n', baseLibrary);
  expect(likelyCalls(plan, blocks, baseLibrary).some((c) => c.kind === 'tempo')).toBe(false);
});
