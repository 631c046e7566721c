import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import { printSession } from '../../notation/print.ts';
import { applyLever, readLever, usualBy } from './apply-lever.ts';
import { withLighterWeek } from './drag-rule.ts';
import { leverOffers, warnOf } from './lever-offers.ts';
import { printRule, readRule } from './lever-text.ts';
import type { LeverKind } from './lever.ts';
import { growth, schoolLevers } from '../track/schools.ts';
import type { LeverRule } from '../track/schedule.ts';
import { pullsAt } from '../track/schedule.ts';

const read = (text: string) => {
  const { document, issues } = parseSession(text, baseLibrary);
  expect(issues).toEqual([]);
  return document;
};
const pulled = (text: string, kind: LeverKind, by: number) =>
  printSession(applyLever(read(text), { lever: { kind }, by }, baseLibrary), baseLibrary);

describe('what a form grows by', () => {
  test.each([
    ['Main: pyramid +3 in 1:15 rest 0:45\nsquat\nburpee', ['step'], 'step: wave 0, carry +1, lighter -1'],
    ['Main: windows 2:00 x 3\n5 squat\nmax burpee', ['windows'], 'windows: wave 0, carry +1, lighter -1'],
    ['Main: amrap 9:00\n5 squat', ['clock'], 'clock: wave 0, carry +60, lighter -60'],
    ['Main: every 1:00 x 8\n5 squat', ['rounds'], 'rounds: wave 0, carry +1, lighter -1'],
    ['Main: work 0:40 rest 0:20, 3 rounds\nsquat', ['rounds'], 'rounds: wave 0, carry +1, lighter -1'],
    ['Main: climb 1 by 1 every 1:00\nburpee', ['step'], 'step: wave 0, carry +1, lighter -1'],
  ])('%j', (text, kinds, first) => {
    const document = read(text);
    expect(growth(document).map((g) => g.lever)).toEqual(kinds);
    expect(printRule(schoolLevers('rounds-and-reps', document, baseLibrary)[0]!)).toBe(first);
  });

  test('a pyramid’s ways are never shortened by a lighter week', () => {
    const document = read('Main: pyramid +3 in 1:15 rest 0:45\nsquat\nburpee');
    const rules = schoolLevers('rounds-and-reps', document, baseLibrary);
    expect(rules.some((r) => r.lever.kind === 'clock')).toBe(false);
  });

  test('a step of the clock is a quarter of a minute in a window and a denser slot in a minute clock', () => {
    expect(usualBy('clock', read('Main: windows 2:00 x 3\n5 squat'))).toBe(15);
    expect(usualBy('clock', read('Main: every 1:00 x 8\n5 squat'))).toBe(-5);
    expect(usualBy('clock', read('Main: amrap 9:00\n5 squat'))).toBe(60);
    expect(usualBy('reps', read('Main: flow\n5 squat'))).toBe(1);
  });
});

describe('levers that know what is written', () => {
  test('what stands for a line moves with it, in proportion', () => {
    const text = 'Main: 3 rounds\n40 skip or 12 double skip\n';
    expect(pulled(text, 'reps', 10)).toBe('Main: 3 rounds\n50 skip or 15 double skip\n');
    expect(pulled(pulled(text, 'reps', 10), 'reps', -10)).toBe(text);
    expect(pulled(text, 'reps', 1)).toBe('Main: 3 rounds\n41 skip or 13 double skip\n');
  });
  test('without a written weight one goes a step heavier in what one has, and back', () => {
    const text = 'Main: 3 rounds\n10 goblet squat, slow\n';
    const heavier = 'Main: 3 rounds\n10 goblet squat, slow, "1 step heavier than at first"\n';
    expect(readLever(read(text), { kind: 'load' }, baseLibrary)).toBe('as at hand');
    expect(pulled(text, 'load', 2)).toBe(heavier);
    expect(readLever(read(heavier), { kind: 'load' }, baseLibrary)).toBe('1 step heavier than at first');
    expect(pulled(heavier, 'load', 4)).toContain('3 steps heavier');
    expect(pulled(heavier, 'load', -2)).toBe(text);
    expect(pulled(heavier, 'load', -4)).toContain('1 step lighter');
    expect(readLever(read('Main: 3 rounds\n10 squat'), { kind: 'load' }, baseLibrary)).toBeUndefined();
  });
  test('a growing count, a cycling list and sets have levers of their own', () => {
    expect(pulled('Main: amrap 9:00\n3+1 burpee\n', 'step', 1)).toBe('Main: amrap 9:00\n3+2 burpee\n');
    expect(pulled('Main: amrap 9:00, reps 4-8-12 cycling\nsquat\n', 'step', 2)).toContain('reps 4-10-16 cycling');
    expect(pulled('Main: amrap 3:00, 2 sets, rest 1:00\n5 squat\n', 'sets', 1)).toContain('3 sets');
    expect(pulled('Main: amrap 3:00\n5 squat\n', 'sets', 1)).toBe('Main: amrap 3:00\n5 squat\n');
    expect(pulled('Main: amrap 3:00, 2 sets\n5 squat\n', 'sets', 99)).toContain('20 sets');
  });
  test('sides in turn stay even', () => {
    expect(pulled('Main: flow\n10 alt step-back lunge\n', 'reps', 1)).toContain('12 alt');
  });
});

describe('what goes wrong is said before it is applied', () => {
  const full = 'Main: every 1:00 x 12\n14 push-up\n20 squat\n';
  test('a slot that gets overfull, with its week', () => {
    const offers = leverOffers(read(full), 12, baseLibrary);
    expect(offers.map((o) => o.words)).toEqual(['rounds +1 round a week', 'reps +1 rep a week', 'clock −5 s a week']);
    expect(offers[0]!.warning).toBe('');
    expect(offers[1]!.warning).toMatch(/^from week \d+ on, a turn of Main doesn’t hold its work$/);
    expect(offers[2]!.warning).toMatch(/^from week \d+ on, a turn of Main doesn’t hold its work$/);
  });
  test('a rest that has come down to the least there is', () => {
    const document = read('Main: work 0:40 rest 0:20, 3 rounds\nsquat');
    const rest = leverOffers(document, 6, baseLibrary).find((o) => o.lever.kind === 'rest')!;
    expect(rest.warning).toBe('from week 4 on, the rest in Main is 5 s or less');
    expect(leverOffers(document, 3, baseLibrary).find((o) => o.lever.kind === 'rest')!.warning).toBe('');
  });
  test('what was so as it was written is no news', () => {
    expect(warnOf(() => read('Main: every 0:20 x 4\n30 squat'), 8, baseLibrary)).toBe('');
  });
});

describe('lighter weeks tell the truth', () => {
  const rule = (line: string): LeverRule => {
    const found = readRule(line);
    if (found.status === 'refused') throw new Error(found.message);
    return found.value;
  };
  const course = (own: LeverRule, weeks = 8, lighter = [4, 8]) =>
    Array.from({ length: weeks }, (_, i) => 5 + pullsAt(own, i + 1, { lighter })[0]!.by);

  test('a step that is said of a lighter week is what happens in it', () => {
    expect(course(rule('rounds: at week 4 +1, lighter -1'))).toEqual([5, 5, 5, 6, 6, 6, 6, 4]);
    expect(course(rule('rounds: at week 3 +1, lighter -1'))).toEqual([5, 5, 6, 4, 6, 6, 6, 4]);
  });
  test('a lighter week that a lever passes by is a week like any other, and can be taken back', () => {
    const own = rule('rounds: +1 a week, lighter -1');
    expect(course(own)).toEqual([5, 6, 7, 4, 8, 9, 10, 4]);
    const passed = withLighterWeek(own, 4, false);
    expect(course(passed)).toEqual([5, 6, 7, 8, 9, 10, 11, 4]);
    expect(printRule(passed)).toBe('rounds: +1 a week, lighter -1, not lighter in week 4');
    expect(rule(printRule(passed))).toEqual(passed);
    expect(withLighterWeek(passed, 4, true)).toEqual(own);
  });
  test('a wave goes on over it', () => {
    expect(course(withLighterWeek(rule('rounds: wave +1, carry +1, lighter -1'), 4, false))).toEqual([
      5, 6, 7, 8, 9, 10, 11, 4,
    ]);
  });
  test('a week that there isn’t is refused', () => {
    expect(readRule('rounds: +1 a week, not lighter in week 60')).toHaveProperty('message');
  });
});
