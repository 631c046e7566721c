import { expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import type { NumberedRecord } from './own-numbers.ts';
import { ownNumbers } from './own-numbers.ts';
import type { Score } from './score.ts';

const rounds = (n: number, more: Partial<Score> = {}): Score =>
  ({ block: 0, kind: 'rounds+reps', rounds: n, reps: 0, ...more }) as Score;
const record = (date: string, scores: Score[], more: Partial<NumberedRecord> = {}): NumberedRecord => ({
  date: date as DayDate,
  title: 'Long engine',
  retest: null,
  blocks: [{ role: 'Main', label: 'Engine' }],
  scores,
  shapes: [],
  ...more,
});

test('what may be compared is one series, oldest first, the best told; other shapes are another', () => {
  const found = ownNumbers([
    record('2026-05-13', [rounds(7, { key: 'a' })]),
    record('2026-04-22', [rounds(8, { key: 'a' })], { title: 'Engine again' }),
    record('2026-05-20', [rounds(9, { key: 'b' })], {
      shapes: [
        { block: 0, to: 'knee push-up' },
        { block: 1, to: 'x' },
      ],
    }),
  ]);
  expect(found.map((s) => [s.label, s.shape, s.points.map((p) => [p.dayWords, p.words, p.isBest])])).toEqual([
    [
      'Engine again: Engine',
      '',
      [
        ['22 Apr', '8 rounds', true],
        ['13 May', '7 rounds', false],
      ],
    ],
    ['Long engine: Engine', 'knee push-up', [['20 May', '9 rounds', true]]],
  ]);
});

test('without keys by retest, block and shape; less time is better', () => {
  const time = (sec: number): Score => ({ block: 0, kind: 'time', sec });
  const [spring, ...others] = ownNumbers([
    record('2026-04-22', [time(200)], { retest: 'Spring' }),
    record('2026-05-13', [time(190)], { retest: 'spring' }),
    record('2026-05-13', [time(100)], { retest: 'spring', shapes: [{ block: 0, to: 'march' }] }),
    record('2026-05-14', [time(90)]),
  ]);
  expect(spring!.points.map((p) => [p.words, p.isBest])).toEqual([
    ['3:20', false],
    ['3:10', true],
  ]);
  expect(spring!.points[1]!.amount).toBeGreaterThan(spring!.points[0]!.amount);
  expect(others).toHaveLength(2);
});

test('sets are series of their own; nobody without numbers has any', () => {
  const set = (part: number) => rounds(4, { key: 'a', part });
  expect(ownNumbers([record('2026-05-13', [set(1), set(2)])]).map((s) => s.label)).toEqual([
    'Long engine: Engine, 1',
    'Long engine: Engine, 2',
  ]);
  expect(ownNumbers([])).toEqual([]);
  expect(ownNumbers([record('2026-05-13', [rounds(1, { block: 9, key: 'z' })])])[0]!.label).toBe('Long engine: Main');
});
