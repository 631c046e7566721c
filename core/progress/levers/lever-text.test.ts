import { describe, expect, it } from 'vitest';
import { needRules, printRule, printRules, readRule, readRules, RULE_EXAMPLES } from './lever-text.ts';

const ruleOf = (line: string) => {
  const read = readRule(line);
  if (read.status === 'refused') throw new Error(read.message);
  return read.value;
};
const messageOf = (line: string) => {
  const read = readRule(line);
  return read.status === 'refused' ? read.message : undefined;
};

describe('a rule as a line', () => {
  it.each(RULE_EXAMPLES)('$line: $means', ({ line }) => {
    expect(printRule(ruleOf(line))).toBe(line);
  });

  it.each([
    [
      'rounds: at week 4 +1',
      { lever: { kind: 'rounds' }, schedule: { kind: 'at-weeks', steps: [{ week: 4, by: 1 }] } },
    ],
    [
      'reps of goblet squat in Engine: wave +1, lighter -2',
      {
        lever: { kind: 'reps', of: 'goblet squat', in: 'Engine' },
        schedule: { kind: 'wave', by: 1, carry: 0 },
        lighterBy: -2,
      },
    ],
    ['rest: -5 a week, lighter 0', { lever: { kind: 'rest' }, schedule: { kind: 'each-week', by: -5 }, lighterBy: 0 }],
    [
      'reps: double to 12, load +2.5 kg',
      { lever: { kind: 'reps' }, schedule: { kind: 'double', ceiling: 12, loadBy: 2.5 } },
    ],
    [
      'rounds: +1 a week until 1:00:00',
      { lever: { kind: 'rounds' }, schedule: { kind: 'until-length', by: 1, sec: 3600 } },
    ],
    [
      'rounds: +1 a week until 40 min',
      { lever: { kind: 'rounds' }, schedule: { kind: 'until-length', by: 1, sec: 2400 } },
    ],
    ['load: as written', { lever: { kind: 'load' }, schedule: { kind: 'at-weeks', steps: [] } }],
  ] as const)('%s', (line, rule) => {
    expect(ruleOf(line)).toEqual(rule);
  });

  it('is read with any case, blanks, a true minus, and a step without its sign', () => {
    expect(ruleOf('  Rest :  −5   A WEEK ')).toEqual(ruleOf('rest: -5 a week'));
    expect(ruleOf('reps: 2 a week')).toEqual(ruleOf('reps: +2 a week'));
  });

  it.each([
    ['', /“” is nothing that can change; there are rounds, reps/],
    ['speed: +1 a week', /“speed” is nothing that can change/],
    ['rounds', /After what changes comes a colon/],
    ['rounds: more', /“more” says no way to move: write/],
    ['rounds: at week four +1', /A step says its week/],
    ['rounds: by week 1 two', /After “by week” come at most 52 numbers/],
    [`rounds: by week ${'1 '.repeat(53)}`, /at most 52/],
    ['rounds: at week 60 +1', /a week 1 to 52/],
    ['rounds: at week 0 +1', /a week 1 to 52/],
    ['rest: -3601 a week', /at most 3600/],
    ['rounds: +1 a week, lighter 9999', /at most 3600/],
    ['rounds: double to 12, load +2', /goes with reps/],
    ['reps: double to 12', /says no way to move/],
    ['rounds: wave +1, carry', /says no way to move/],
    ['rounds: +1 a week, +2 a week', /says no way to move/],
  ] as const)('%j is told with a remedy', (line, message) => {
    expect(messageOf(line)).toMatch(message);
  });
});

describe('rules one a line', () => {
  it('are read in order, empty lines passed by, and printed back', () => {
    const text = 'rounds: wave 0, carry +1, lighter -1\r\n\n  \nreps: wave +1\n';
    const { rules, issues } = readRules(text);
    expect(issues).toEqual([]);
    expect(printRules(rules)).toBe('rounds: wave 0, carry +1, lighter -1\nreps: wave +1, carry 0');
    expect(readRules('')).toEqual({ rules: [], issues: [] });
  });

  it('name the line that is wrong, counted as typed, and keep the others', () => {
    const { rules, issues } = readRules('rounds: at week 4 +1\n\nrepps: +1 a week\nreps: +1 a week');
    expect(issues).toEqual([
      { line: 3, message: expect.stringContaining('“repps” is nothing that can change') as string },
    ]);
    expect(rules.map((r) => r.lever.kind)).toEqual(['rounds', 'reps']);
  });

  it('of our own making have to be right', () => {
    expect(needRules(['reps: +1 a week', 'rest: -5 a week'])).toHaveLength(2);
    expect(needRules([])).toEqual([]);
    expect(() => needRules(['reps: +1 a week', 'speed: +1 a week'])).toThrow(
      /“speed: \+1 a week”: .*is nothing that can change/,
    );
  });

  it('may name one lever twice: a lever and its inverse are both kept', () => {
    const text = 'reps of squat: +1 a week\nreps of squat: -1 a week';
    expect(printRules(readRules(text).rules)).toBe(text);
  });
});
