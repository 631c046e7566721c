import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { printSession } from '../../notation/print.ts';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import { rewriteText } from '../../notation/rewrite.ts';
import { computePlan } from '../../session/plan.ts';
import { applyLever, applyPulls, readLever } from './apply-lever.ts';
import type { Lever, LeverKind } from './lever.ts';
import { extendList } from '../../forms/pull-rounds.ts';

function pulled(text: string, lever: Lever | LeverKind, by: number): string {
  const read = { text, ...parseSession(text, baseLibrary) };
  expect(read.issues).toEqual([]);
  return rewriteText(
    read,
    applyLever(read.document, { lever: typeof lever === 'string' ? { kind: lever } : lever, by }, baseLibrary),
    baseLibrary,
  );
}
const lines = (text: string) => text.split('\n');

const FOUR =
  'Title: Four in turn\nEffort: 6\n\nMain (Four): every 1:00 for 24:00, work cap 0:45  # on the bell\n10 goblet squat @ 12 kg, tempo 3-1-1\n12 band row  # elbows in\n14 alt step-back lunge\n0:40 wall sit\n';

describe('levers act on the session', () => {
  it('every minute, 4 stations x 6 rounds: a seventh round is 28:00 (common practice)', () => {
    const next = pulled(FOUR, 'rounds', 1);
    expect(lines(next)[3]).toBe('Main (Four): every 1:00 for 28:00, work cap 0:45  # on the bell');
    expect(computePlan(parseSession(next, baseLibrary).document, baseLibrary).clockSec).toEqual({
      low: 1680,
      likely: 1680,
      high: 1680,
    });
    expect(lines(next).filter((l, i) => l !== lines(FOUR)[i])).toHaveLength(1);
  });

  it('about two reps off every station leaves comments and times alone (common practice)', () => {
    expect(lines(pulled(FOUR, 'reps', -2)).slice(4, 8)).toEqual([
      '8 goblet squat, tempo 3-1-1, @ 12 kg',
      '10 band row  # elbows in',
      '12 alt step-back lunge',
      '0:40 wall sit',
    ]);
  });
  it('sides in turn go by an even number: an odd one is rounded away from nothing', () => {
    const lunges = (by: number) =>
      pulled('Main: 3 rounds\n10 squat\n12 alt lunge\n', 'reps', by).split('\n').slice(1, 3);
    expect([-3, -2, -1, 1, 2, 3].map(lunges)).toEqual([
      ['7 squat', '8 alt lunge'],
      ['8 squat', '10 alt lunge'],
      ['9 squat', '10 alt lunge'],
      ['11 squat', '14 alt lunge'],
      ['12 squat', '14 alt lunge'],
      ['13 squat', '16 alt lunge'],
    ]);
  });

  it('in a lighter week each line loses the same share: no line more than it and one rep', () => {
    const lighter = (text: string, by: number) =>
      printSession(
        applyLever(
          parseSession(text, baseLibrary).document,
          { lever: { kind: 'reps' }, by, inProportion: true },
          baseLibrary,
        ),
        baseLibrary,
      )
        .split('\n')
        .slice(0, -1);
    expect(lighter('Main: 3 rounds\n12 squat\n10 push-up\n4 burpee\n2 pull-up\n12 alt lunge\n', -2)).toEqual([
      'Main: 3 rounds',
      '9 squat',
      '8 push-up',
      '3 burpee',
      '2 pull-up',
      '8 alt lunge',
    ]);
    expect(lighter('Main: reps 21-15-9, for time\nsquat\npush-up\n', -5)[0]).toBe('Main: for time, reps 14-10-6');
    fc.assert(
      fc.property(
        fc.array(fc.record({ reps: fc.integer({ min: 1, max: 60 }), isAlt: fc.boolean() }), {
          minLength: 1,
          maxLength: 8,
        }),
        fc.integer({ min: -12, max: -1 }),
        (written, by) => {
          const text = `Main: 3 rounds\n${written.map((l) => `${l.reps} ${l.isAlt ? 'alt lunge' : 'squat'}`).join('\n')}\n`;
          const mean = written.reduce((n, l) => n + l.reps, 0) / written.length;
          const left = lighter(text, by)
            .slice(1)
            .map((line) => parseInt(line, 10));
          for (const [i, { reps }] of written.entries()) {
            expect(left[i]).toBeLessThanOrEqual(reps);
            expect(reps - left[i]!).toBeLessThanOrEqual((-by / mean) * reps + 1);
          }
        },
      ),
    );
  });

  it('reaches one movement, one list, one block', () => {
    expect(lines(pulled(FOUR, { kind: 'reps', of: 'band row' }, 1)).slice(4, 7)).toEqual([
      '10 goblet squat @ 12 kg, tempo 3-1-1',
      '13 band row  # elbows in',
      '14 alt step-back lunge',
    ]);
    const two = 'Main (A): reps 9-7-5-3, for time\nsquat\n4 burpee\n\nFinisher: 3 rounds\n10 squat\n';
    expect(pulled(two, { kind: 'reps', of: 'list' }, 1)).toContain('reps 10-8-6-4\nsquat\n4 burpee\n');
    expect(pulled(two, { kind: 'reps', in: 'finisher' }, 1)).toBe(two.replace('10 squat', '11 squat'));
  });

  it('takes time, rest, load, tempo and effort', () => {
    expect(lines(pulled(FOUR, 'work', 5))[7]).toBe('0:45 wall sit');
    expect(lines(pulled(FOUR, 'load', 2.5))[4]).toContain('@ 14.5 kg');
    expect(lines(pulled(FOUR, 'tempo', 1))[4]).toContain('tempo 4-1-1');
    expect(lines(pulled(FOUR, 'tempo', -9))[4]).toContain('tempo 1-1-1');
    expect(lines(pulled(FOUR.replace('tempo 3-1-1', 'tempo 0-2-1'), 'tempo', -1))[4]).toContain('tempo 0-2-1');
    expect(lines(pulled(FOUR, 'effort', 2))[1]).toBe('Effort: 8');
    expect(lines(pulled(FOUR, 'clock', -10))[3]).toContain('every 0:50 for 20:00, work cap 0:45');
    const intervals = 'Main: work 0:40 rest 0:20, 3 rounds\nsquat\nband row\n';
    expect(pulled(intervals, 'work', 5)).toContain('work 0:45 rest 0:20');
    expect(pulled(intervals, 'rest', -5)).toContain('work 0:40 rest 0:15');
    expect(pulled('Main: windows 1:30 x 5 rest 0:30\n8 squat\nmax burpee\n', 'windows', 1)).toContain(
      'windows 1:30 x 6',
    );
    expect(pulled('Main: amrap 9:00\n8 squat\n', 'clock', 60)).toContain('amrap 10:00');
  });

  it('goes up and down the ladder, with sides as the new shape has them', () => {
    const knees = 'Main: 3 rounds\n8 knee push-up\n';
    const harder = pulled(knees, 'shape', 1);
    expect(harder).not.toBe(knees);
    expect(readLever(parseSession(harder, baseLibrary).document, { kind: 'shape' }, baseLibrary)).toBeDefined();
    const top = pulled(knees, 'shape', 50);
    expect(pulled(top, 'shape', 1)).toBe(top);
  });

  it('keeps growing and shrinking rounds as they are, and adds a round the way they go', () => {
    expect(extendList([30, 40, 50], 1, 600)).toEqual([30, 40, 50, 60]);
    expect(extendList([60, 40, 30], 1, 600)).toEqual([60, 40, 30, 20]);
    expect(extendList([9, 7, 5, 3], 1, 600)).toEqual([9, 7, 5, 3, 1]);
    expect(extendList([9, 6, 3], 1, 600)).toEqual([9, 6, 3, 1]);
    expect(extendList([5, 5], 2, 600)).toEqual([5, 5, 5, 5]);
    expect(extendList([9, 7, 5, 3], -1, 600)).toEqual([9, 7, 5]);
    expect(extendList([30, 40], -3, 600)).toEqual([30, 40]);
    expect(pulled('Main: work 30/40/50s rest 30s\nsquat\n', 'work', 5)).toContain('work 35/45/55s rest 0:30');
    expect(pulled('Main: work 30/40/50s rest 30s\nsquat\n', 'rounds', 1)).toContain('work 30/40/50/60s rest 0:30');
  });

  it('leaves warm-up, cool-down and what is taken from elsewhere alone unless told', () => {
    const text =
      'Warm-up: 2 rounds\n6 squat\n\nMain (A): 3 rounds\n10 squat\n\nFinisher: same as A\n\nCool-down: flow\n0:30 child’s pose\n';
    expect(pulled(text, 'rounds', 1)).toBe(text.replace('3 rounds', '4 rounds'));
    expect(pulled(text, { kind: 'rounds', in: 'warm-up' }, 1)).toBe(text.replace('2 rounds', '3 rounds'));
  });

  it('stops at limits, and leaves alone what it has nothing for', () => {
    expect(pulled('Main: 3 rounds\n2 squat\n', 'reps', -9)).toContain('1 squat');
    expect(pulled('Main: work 0:20 rest 0:10 x 8\nsquat\n', 'rest', -60)).toContain('rest 0:05');
    expect(pulled('Main: flow\n5 squat\n', 'rounds', 3)).toBe('Main: flow\n5 squat\n');
    expect(pulled('Effort: 9\n\nMain: flow\n5 squat\n', 'effort', 5)).toContain('Effort: 10');
    expect(
      readLever(parseSession('Main: flow\n5 squat\n', baseLibrary).document, { kind: 'load' }, baseLibrary),
    ).toBeUndefined();
  });

  it('adds pulls at one lever up, so that a lever and its inverse are the text itself', () => {
    const { document } = parseSession(FOUR, baseLibrary);
    expect(
      applyPulls(
        document,
        [
          { lever: { kind: 'reps' }, by: -40 },
          { lever: { kind: 'rounds' }, by: 2 },
          { lever: { kind: 'reps' }, by: 40 },
          { lever: { kind: 'rounds' }, by: -2 },
        ],
        baseLibrary,
      ),
    ).toBe(document);
  });
});
