import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import { worthWords } from '../../../words/en/record/worth.ts';
import { worthOf } from '../adherence/worth.ts';
import { ownNumbers } from './own-numbers.ts';
import type { Score } from './score.ts';
import { comparedBy, scoreRate } from './score-rate.ts';
import type { EarlierRecord } from './to-match.ts';
import { toMatch } from './to-match.ts';

const open = (text: string) => {
  const { document, blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return { document: document, blocks, plan, reshaped: [] };
};
const rateOf = (text: string) => {
  const { blocks, plan } = open(text);
  return scoreRate(blocks[0]!, plan.blocks[0]!);
};
type Bare = Score extends infer S ? (S extends Score ? Omit<S, 'block'> : never) : never;
const scored = (text: string, bare: Bare): Score => {
  const { blocks, plan } = open(text);
  return { ...bare, block: 0, ...comparedBy(blocks[0]!, plan.blocks[0]!) };
};
const earlier = (score: Score, dayWords = 'Wed 6 May', retest: string | null = null): EarlierRecord => ({
  dayWords,
  retest,
  scores: [score],
  reshaped: [],
});
const rounds = (n: number, reps = 10) => `Main: ${n} rounds for time\n${reps} squat\n200 m run`;
const amrap = (min: number) => `Main: amrap ${min}:00\n10 squat\n5/side lunge`;

describe('what a score may be divided by', () => {
  test('a time by rounds that are alike, a count by minutes; the length makes no difference to the key', () => {
    expect(rateOf(rounds(4))).toMatchObject({ per: 'round', of: 4 });
    expect(rateOf(rounds(3))!.key).toBe(rateOf(rounds(4))!.key);
    expect(rateOf(amrap(12))).toMatchObject({ per: 'minute', of: 12 });
    expect(rateOf(amrap(8))!.key).toBe(rateOf(amrap(12))!.key);
    expect(rateOf('Main: 3 rounds for time\n12 squat\n200 m run')!.key).not.toBe(rateOf(rounds(3))!.key);
  });
  test.each([
    'Main: for time, reps 21-15-9\nsquat\npush-up',
    'Main: 3 rounds for time\n4 +2 each round squat',
    'Main: 3 to 4 rounds for time\n10 squat',
    'Main: amrap 8:00, 2 sets, rest 1:00\n10 squat',
    'Main: windows 3:00 x 2 rest 1:00\n10 squat',
    'Main: every 1:00 for 6:00\n10 squat',
  ])('nothing is divided where rounds differ or are open, in sets, windows and turns: %j', (text) => {
    expect(rateOf(text)).toBeUndefined();
  });
});

describe('a round more in the plan', () => {
  const paced = (text: string, ...records: EarlierRecord[]) => toMatch(open(text), records);
  test('is held against the pace of before, marked as such', () => {
    const match = paced(rounds(4), earlier(scored(rounds(3), { kind: 'time', sec: 189 })));
    expect(match.words[0]).toBe('4:12, at 1:03 a round as on Wed 6 May with 3 rounds');
    expect(match.targets).toEqual({});
    const longer = paced(amrap(12), earlier(scored(amrap(8), { kind: 'rounds+reps', rounds: 5, reps: 4 })));
    expect(longer.words[0]).toBe('7 rounds + 16 reps, at 13 a minute as on Wed 6 May with 8:00');
  });
  test('a score of the same length comes first, and of several the last', () => {
    const own = scored(rounds(4), { kind: 'time', sec: 250 });
    const other = scored(rounds(3), { kind: 'time', sec: 180 });
    expect(paced(rounds(4), earlier(own), earlier(other, 'Wed 13 May')).words[0]).toMatch(/^4:10 on Wed 6 May/);
  });
  test('more than half as long again, or another session under the same name, says why not', () => {
    const far = paced(rounds(6), earlier(scored(rounds(3), { kind: 'time', sec: 180 })));
    expect(far.words[0]).toBeUndefined();
    expect(far.apart[0]).toBe('3:00 on Wed 6 May was of another length by more than half: not held against it.');
    const retest = paced(
      `Retest: legs\n${rounds(3, 12)}`,
      earlier(scored(rounds(3), { kind: 'time', sec: 180 }), 'Wed 6 May', 'legs'),
    );
    expect(retest.apart[0]).toBe('3:00 on Wed 6 May was of other movements, numbers or rules: not held against it.');
  });
  test('is worth a word afterwards, and a line over time', () => {
    const first = scored(rounds(3), { kind: 'time', sec: 189 });
    const then = scored(rounds(4), { kind: 'time', sec: 240 });
    const session = open(rounds(4));
    const worth = worthOf(
      { outcome: 'done', shareRatio: 1, scores: [then] },
      session,
      toMatch(session, [earlier(first)]),
      baseLibrary,
    )!;
    expect(worthWords(worth, session.blocks)).toContain('Main: 1:00 a round, quicker than 1:03 a round on Wed 6 May');
    const record = (date: string, score: Score) => ({
      date: date as DayDate,
      title: 'Legs',
      retest: null,
      blocks: session.blocks,
      scores: [score],
      shapes: [],
    });
    const series = ownNumbers([record('2026-05-06', first), record('2026-05-13', then)]);
    expect(series.map((s) => [s.label, s.points.map((p) => p.words), s.points.map((p) => p.isBest)])).toEqual([
      ['Legs: Main, by its pace', ['1:03 a round (3:09)', '1:00 a round (4:00)'], [false, true]],
      ['Legs: Main', ['3:09'], [true]],
      ['Legs: Main', ['4:00'], [true]],
    ]);
  });
});
