import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import { buildStages } from '../build-stages.ts';
import type { ClockState } from '../clock.ts';
import { runClock, startClock } from '../clock.ts';
import { paceStanding } from './pace-standing.ts';

const stages = (() => {
  const { plan, blocks, issues } = analyseText('Main: amrap 5:00, pace 9 a minute\n10 squat', baseLibrary);
  expect(issues).toEqual([]);
  return buildStages(plan, blocks);
})();
const PARTS = {
  round: [
    { words: '4 squat', reps: 4 },
    { words: '6 lunge', reps: 10 },
  ],
};
const standing = (reps: number, taps: number, round: typeof PARTS | null = PARTS) =>
  paceStanding(
    {
      paceMarks: [{ atSec: 60, words: '', reps }],
      asks: round && { question: '', what: 'partial', field: '', ...round },
    },
    60,
    taps,
  );

test('ahead by what whole rounds are more, behind by what is missing even if the round is as good as done', () => {
  expect([standing(9, 1), standing(10, 1), standing(19, 1), standing(20, 1), standing(25, 1)]).toEqual([
    '1 ahead',
    'on pace',
    'on pace',
    '1 behind',
    '6 behind',
  ]);
  expect([standing(9, 0), standing(9, 1, null)]).toEqual(['', '']);
  expect(paceStanding({ paceMarks: [], asks: null }, 60, 1)).toBe('');
});

test('a mark of pace is called with it once rounds are counted', () => {
  const after = (taps: number, fewer = false): string[] => {
    let state: ClockState = startClock(0);
    const words: string[] = [];
    for (let sec = 0; sec <= 70; sec++) {
      const run = runClock(state, 'tick', stages, sec * 1000);
      state = run.state;
      words.push(...run.calls.filter((c) => c.cue === 'pace').map((c) => c.words));
      if (sec === 10 && fewer) {
        const change = { kind: 'fewer', from: 1, block: 0, at: { set: 1, turn: 0, item: 0, by: 1 } } as const;
        state = runClock(state, { kind: 'change', change }, stages, sec * 1000).state;
      }
      if (sec === 10) for (let i = 0; i < taps; i++) state = runClock(state, 'tap', stages, sec * 1000).state;
    }
    return words;
  };
  expect(after(2, true)).toEqual(['9 by now']);
  const [bare, counted] = [after(0), after(2)];
  expect(bare).toEqual(['9 by now']);
  expect(counted).toEqual([stages[1]!.asks?.round ? '9 by now, 11 ahead' : '9 by now']);
});
