import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import type { Score } from '../scores/score.ts';
import type { Target } from '../scores/targets.ts';
import { worthWords } from '../../../words/en/record/worth.ts';
import { worthOf } from './worth.ts';

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
type Done = Parameters<typeof worthOf>[0];
const linesOf = (done: Done, session: Parameters<typeof worthOf>[1], targets: Record<number, Target> = {}) => {
  const worth = worthOf(done, session, { targets, paced: {} }, baseLibrary);
  return worth ? worthWords(worth, session.blocks) : [];
};
const words = (scores: Score[], targets: Record<number, Target> = {}, shareRatio = 1) =>
  linesOf({ outcome: shareRatio === 1 ? 'done' : 'part', shareRatio, scores }, { plan, blocks }, targets);
const done = (text: string, scores: Score[], details: Done['details'] = {}) =>
  linesOf({ outcome: 'done', shareRatio: 1, scores, details }, analyseText(text, baseLibrary));

describe('what a session was worth', () => {
  test('its time and counts, exact where they are', () => {
    expect(words([])).toEqual(['10 minutes, 90 repetitions', 'most of it 50 squat, 40 push-up']);
  });
  test('sets are held against earlier ones by their sum', () => {
    const sets = analyseText('Main: amrap 4:00, 2 sets, rest 1:00\n10 squat\n8 push-up', baseLibrary);
    const lines = (scores: Score[]) =>
      linesOf({ outcome: 'done', shareRatio: 1, scores }, sets, { 0: target(rounds(9)) });
    expect(lines([rounds(5, 1), rounds(5, 2)])).toContain('Main: 10 rounds, your best so far');
    expect(lines([rounds(5, 1)]).join()).not.toContain('Main:');
  });
  test('a part by its share, in round numbers', () => {
    expect(words([], {}, 0.75)).toEqual(['about 8 minutes, about 70 repetitions', 'most of it 40 squat, 30 push-up']);
    expect(words([], {}, 0.1)[0]).toBe('about 1 minute, about 9 repetitions');
  });
  test('what is open is counted by its score; without one nothing is said of it', () => {
    const open = 'Warm-up: flow\n5 march\n\nMain: amrap 8:00\n10 squat\n8 push-up';
    expect(done(open, [{ block: 1, kind: 'rounds+reps', rounds: 6, reps: 4 }])).toEqual([
      'about 8 minutes, 117 repetitions',
      'most of it 64 squat, 48 push-up, 5 march',
    ]);
    expect(done(open, [])).toEqual(['about 8 minutes']);
    expect(done('Main: amrap 1:00\nmax push-up', [{ block: 0, kind: 'reps', reps: 41 }])).toEqual([
      '1 minute, 41 repetitions',
    ]);
  });
  test('what a cap cut off isn’t counted, and of two sets each is', () => {
    const chipper = 'Main: for time, cap 5:00\n20 squat\n20 push-up';
    expect(done(chipper, [{ block: 0, kind: 'time', sec: 300, reps: 27 }])[1]).toBe('most of it 20 squat, 7 push-up');
    expect(done(chipper, [{ block: 0, kind: 'time', sec: 280 }])[1]).toBe('most of it 20 squat, 20 push-up');
    const twice = 'Main: amrap 3:00, 2 sets\n5 squat\n5 push-up';
    const rounds2 = (n: number, part: number): Score => ({ block: 0, kind: 'rounds+reps', rounds: n, reps: 0, part });
    expect(done(twice, [rounds2(4, 1), rounds2(3, 2)])[0]).toBe('6 minutes, 70 repetitions');
    expect(done(twice, [rounds2(4, 1)])[0]).toBe('6 minutes');
  });
  test('a number of one line adds to what is fixed beside it; one of several movements is of none', () => {
    const slots = 'Main: every 1:00 for 2:00\n8 squat\nmax push-up';
    expect(done(slots, [{ block: 0, kind: 'reps', reps: 9 }])).toEqual([
      '2 minutes, 17 repetitions',
      'most of it 9 push-up, 8 squat',
    ]);
    const both = 'Main: work 0:30 rest 0:30\nmax squat\nmax push-up';
    expect(done(both, [{ block: 0, kind: 'reps', reps: 30 }])).toEqual(['2 minutes, 30 repetitions']);
  });
  test('it goes by the options and shapes that were chosen', () => {
    const text = 'Main: 2 rounds\n10 push-up or 6/side reverse lunge';
    const chosen = (to: string) => ({ chosen: [{ block: 0, item: 0, from: 'push-up', to }] });
    expect(done(text, [])[0]).toMatch(/20 repetitions$/);
    expect(done(text, [], chosen('reverse lunge'))[0]).toMatch(/24 repetitions$/);
    const plain = 'Main: 2 rounds\n10 push-up\n5 squat';
    expect(done(plain, [], chosen('incline push-up'))[1]).toBe('most of it 20 chair push-up, 10 squat');
  });
  test('it goes by the rounds that were done where the last one was left open', () => {
    const text = 'Main: 3 rounds, 1 more if time\n10 squat';
    expect(done(text, [], { rounds: { 0: 3 } })[0]).toMatch(/30 repetitions$/);
    expect(done(text, [], { rounds: { 0: 4 } })[0]).toMatch(/40 repetitions$/);
  });
  test('partners: the rounds of who logs it', () => {
    const text = 'Main: turns of 2 in 4:00, scored\n8 squat\n8 push-up';
    const rounds2 = (n: number, part: number): Score => ({ block: 0, kind: 'rounds+reps', rounds: n, reps: 0, part });
    expect(done(text, [rounds2(3, 1), rounds2(5, 2)])[0]).toBe('4 minutes, 48 repetitions');
  });
  test('what wasn’t done is no lesson', () => {
    expect(linesOf({ outcome: 'not-done', shareRatio: 0, scores: [] }, { plan, blocks })).toEqual([]);
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
