import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import type { Score } from '../scores/score.ts';
import type { Target } from '../scores/targets.ts';
import { worthWords } from './worth.ts';

const { plan, blocks } = analyseText('Main (Engine): every 1:00 for 10:00\n10 squat\n8 push-up', baseLibrary);
const rounds = (n: number, part?: number): Score => ({
  block: 0,
  kind: 'rounds+reps',
  rounds: n,
  reps: 0,
  ...(part !== undefined && { part }),
});
const target = (last: Score, best = last): Target => ({
  last: { dayWords: '22 Apr', score: last },
  best: { dayWords: '1 Apr', score: best },
  aim: '',
  pace: [],
});
const words = (scores: Score[], targets: Record<number, Target> = {}, shareRatio = 1) =>
  worthWords({ outcome: shareRatio === 1 ? 'done' : 'part', shareRatio, scores }, plan, blocks, { targets });

describe('what a session was worth', () => {
  test('its time and counts, exact where they are', () => {
    expect(words([])).toEqual(['10 minutes, 90 repetitions', 'most of it 50 squat, 40 push-up']);
  });
  test('a part by its share, in round numbers', () => {
    expect(words([], {}, 0.75)).toEqual(['about 8 minutes, about 70 repetitions', 'most of it 40 squat, 30 push-up']);
    expect(words([], {}, 0.1)[0]).toBe('about 1 minute, about 9 repetitions');
  });
  test('what is open is counted by its score; without one nothing is said of it', () => {
    const open = analyseText('Warm-up: flow\n5 march\n\nMain: amrap 8:00\n10 squat\n8 push-up', baseLibrary);
    const of = (scores: Score[]) =>
      worthWords({ outcome: 'done', shareRatio: 1, scores }, open.plan, open.blocks, { targets: {} });
    expect(of([{ block: 1, kind: 'rounds+reps', rounds: 6, reps: 4 }])).toEqual(['about 8 minutes, 117 repetitions']);
    expect(of([])).toEqual(['about 8 minutes']);
    const most = analyseText('Main: amrap 1:00\nmax push-up', baseLibrary);
    const got = worthWords(
      { outcome: 'done', shareRatio: 1, scores: [{ block: 0, kind: 'reps', reps: 41 }] },
      most.plan,
      most.blocks,
      { targets: {} },
    );
    expect(got).toEqual(['1 minute, 41 repetitions']);
  });
  test('what wasn’t done is no lesson', () => {
    expect(worthWords({ outcome: 'not-done', shareRatio: 0, scores: [] }, plan, blocks, { targets: {} })).toEqual([]);
  });
  test.each([
    [9, 8, 8, 'Engine: 9 rounds, your best so far'],
    [9, 8, 10, 'Engine: 9 rounds, more than 8 rounds on 22 Apr'],
    [8, 8, 10, 'Engine: 8 rounds, as on 22 Apr'],
    [7, 8, 8, 'Engine: 7 rounds, beside 8 rounds on 22 Apr'],
  ])('%i beside %i and the best %i', (mine, last, best, line) => {
    expect(words([rounds(mine)], { 0: target(rounds(last), rounds(best)) }).at(-1)).toBe(line);
  });
  test('a time is quicker, not more; of another part nothing is said', () => {
    const time = (sec: number): Score => ({ block: 0, kind: 'time', sec });
    expect(words([time(190)], { 0: target(time(200), time(180)) }).at(-1)).toBe(
      'Engine: 3:10, quicker than 3:20 on 22 Apr',
    );
    expect(words([rounds(9, 2)], { 0: target(rounds(8, 1)) })).toHaveLength(2);
  });
});
