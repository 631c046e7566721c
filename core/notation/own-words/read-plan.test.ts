import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import type { Answers } from './piece.ts';
import { readOwnPlan } from './read-plan.ts';

const read = (source: string, answers?: Answers) => readOwnPlan(source, baseLibrary, 1, answers);

describe('an answer', () => {
  const first = (source: string, choice: number): string => {
    const [doubt] = read(source).doubts;
    const plan = read(source, new Map([[doubt!.start, choice]]));
    expect(plan.doubts.find((d) => d.start === doubt!.start)?.chosen).toBe(choice);
    return plan.days[0]!.text;
  };
  test('makes three numbers a number a round', () => {
    const source = '3 rounds\n5 squats each leg 4-1-2';
    expect(first(source, 0)).toBe('Main: 3 rounds\n5/side squat, tempo 4-1-2\n');
    expect(first(source, 1)).toBe('Main: 3 rounds\n4-1-2/side squat\n');
  });
  test('gives a clock its length, and a new name one that is known', () => {
    expect(first('AMRAP\n5 squats', 0)).toBe('Main: amrap 10:00\n5 squat\n');
    expect(first('AMRAP\n5 squats', 1)).toBe('Main: amrap 8:00\n5 squat\n');
    expect(first('EMOM\n5 squats', 3)).toBe('Main: every 1:00 for 15:00\n5 squat\n');
    const [doubt] = read('10 pusch-ups').doubts;
    expect(doubt!.facts).toMatchObject({ code: 'new-movement', name: 'pusch-ups' });
    expect(first('10 pusch-ups', 1)).not.toContain('pusch');
  });
  test('for a place where nothing is asked changes nothing', () => {
    expect(read('10 squats', new Map([[0, 1]])).days).toEqual(read('10 squats').days);
  });
});

describe('a table', () => {
  test.each(['\t', ';', ',', '|'])('of movements, set apart by %j: a block a row', (sign) => {
    const rows = [
      ['Exercise', 'Sets', 'Reps', 'Rest', 'Notes'],
      ['Back squat', '4', '6', '90 s', 'slow down'],
      ['Plank', '3', '40 s', '1 min', ''],
    ];
    expect(read(rows.map((r) => r.join(sign)).join('\n')).days[0]!.text).toBe(
      'Main: 4 rounds, rest 1:30 between rounds\n6 back squat, "slow down"\n\nMain: 3 rounds, rest 1:00 between rounds\n0:40 plank\n',
    );
  });
  test('of days by blocks: a day a column, its parts from the rows', () => {
    const source = 'Part,Mon,Thu\nWarm-up,2 min march,\nMain,"3 rounds; 10 squats; 8 push-ups",EMOM 8; 5 burpees\n';
    const plan = read(source);
    expect(plan.days.map((d) => [d.weekday, d.text])).toEqual([
      [1, 'Warm-up: flow\n2:00 march\n\nMain: 3 rounds\n10 squat\n8 push-up\n'],
      [4, 'Main: every 1:00 for 8:00\n5 burpee\n'],
    ]);
    expect(plan.pieces.filter((p) => p.as === 'day').map((p) => source.slice(p.start, p.end))).toEqual(['Mon', 'Thu']);
  });
  test('of days loses no cell of another column', () => {
    const source = 'Part\tMon\tThu\tRemarks\nEvening\t10 squats\t5 burpees\tkeep it light\n';
    const plan = read(source);
    expect(plan.days[0]!.text).toContain('Evening');
    expect(plan.days[0]!.text).toContain('keep it light');
    expect(plan.pieces.map((p) => source.slice(p.start, p.end)).join(' ')).toContain('Remarks');
  });
  test('is none where only one column is a day', () => {
    expect(read('a\tMonday\n10 squats\t5').days).toHaveLength(1);
  });
});

test('the words before the first day are a day of their own, without one', () => {
  const plan = read('For the tour\n\nMonday\n10 squats\nTuesday\n5 burpees');
  expect(plan.days.map((d) => [d.heading, d.weekday])).toEqual([
    ['', null],
    ['Monday', 1],
    ['Tuesday', 2],
  ]);
  expect(readOwnPlan('Sun: 10 squats\nMon: 5 burpees', baseLibrary, 7).days.map((d) => d.weekday)).toEqual([1, 2]);
});
