import { expect, test } from 'vitest';
import { fitSlots } from '../forms/slot-fit.ts';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from './analyse.ts';
import { EXAMPLE_SESSION } from './starters.ts';

const analyse = (text: string) => analyseText(text, baseLibrary);

test('rounds of slots and intervals are counted from one, in every set', () => {
  const rounds = (text: string) =>
    analyse(text)
      .plan.timeline.filter((s) => s.kind !== 'rest')
      .map((s) => s.round);
  expect(rounds('Main: every 1:00 x 4\n5 squat\n5 march')).toEqual([1, 1, 2, 2]);
  expect(rounds('Main: work 0:20 rest 0:10, 2 rounds\nsquat\nmarch')).toEqual([1, 1, 2, 2]);
  expect(rounds('Main: windows 0:30 x 2\nmax squat')).toEqual([1, 2]);
  expect(rounds('Main: work 0:20 rest 0:10, 2 sets\nsquat')).toEqual([1, 1]);
});

test('the largest count that fits a slot is of its own kind: seconds of a hold, reps else', () => {
  const fit = (text: string) => fitSlots(analyse(text).blocks[0]!, baseLibrary)[0]!;
  expect(fit('Main: every 1:00 x 2\n0:58 plank')).toMatchObject({ largestCount: 50, status: 'tight', capSec: 50 });
  expect(fit('Main: every 1:00 x 2, work cap 0:40\n40 squat')).toMatchObject({
    largestCount: 18,
    status: 'overfull',
    capSec: 40,
  });
  expect(fit('Main: every 1:00 x 2\n0:50 plank').status).toBe('fits');
  expect(fit('Main: every 1:00 x 2\n1:00 plank').status).toBe('tight');
  expect(fit('Main: every 1:00 x 2\n1:01 plank').status).toBe('overfull');
  expect(fit('Main: every 1:00 x 6\n20+5 squat').firstRound).toBe(2);
});

test('what is short of its promise is made longer where the work is, not in a warm-up, a set or a copy', () => {
  const offer = (text: string) =>
    analyse(text)
      .findings.filter((f) => f.code === 'under-target')
      .flatMap((f) => f.changes.map((c) => c.does));
  expect(offer('Target: 10 min\nWarm-up: 4 rounds\n60 squat\n\nMain: amrap 5:00\n5 squat')).not.toContainEqual(
    expect.objectContaining({ block: 'Warm-up' }),
  );
  expect(offer('Target: 10 min\nMain: amrap 5:00\n5 squat')).toEqual([
    { kind: 'resize', from: 300, to: 600, isSeconds: true, block: 'Main' },
    { kind: 'target', minutes: 5 },
  ]);
  expect(offer('Target: 10 min\nMain: amrap 5:00, 1 set\n5 squat')).toEqual([{ kind: 'target', minutes: 5 }]);
  expect(offer('Target: 12 min\nMain: every 1:00 x 6\n5 squat\n5 march')).toEqual([
    { kind: 'resize', from: 3, to: 6, isSeconds: false, block: 'Main' },
    { kind: 'target', minutes: 6 },
  ]);
});

test('one item without a number is enough to be asked for it where the score is the time', () => {
  const { findings } = analyseText('Main: 3 rounds, for time\nburpee\n', baseLibrary);
  expect(findings.map((f) => f.code)).toContain('score-unclear');
});

test('water: twenty minutes without a rest of half a minute is in order, a second more is not', () => {
  const dry = (text: string) => analyse(text).findings.filter((f) => f.code === 'long-without-water').length;
  expect(dry('Main: amrap 20:00\n8 squat')).toBe(0);
  expect(dry('Main: amrap 20:01\n8 squat')).toBe(1);
  expect(dry('Main: amrap 12:00, then rest 0:30\n8 squat\nMain: amrap 12:00\n8 march')).toBe(0);
  expect(dry('Main: amrap 12:00, then rest 0:29\n8 squat\nMain: amrap 12:00\n8 march')).toBe(1);
});

test('the example session is what it is for: nothing to mend, twenty minutes as promised', () => {
  const { findings, plan } = analyse(EXAMPLE_SESSION);
  expect(findings.map((f) => f.code)).toEqual([]);
  expect(plan.reps).toEqual({ 'wrist-circle': 12, 'chair-squat': 16, squat: 80, 'chair-push-up': 64 });
  expect(plan.clockSec).toEqual({ low: 1118, likely: 1150, high: 1198 });
});
