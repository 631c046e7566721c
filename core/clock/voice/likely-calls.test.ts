import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../../tests/long.ts';
import { baseLibrary } from '../../movement/library.ts';
import { arbitraryBlock } from '../../notation/arbitrary-document.ts';
import { analyseText } from '../../session/analyse.ts';
import { computePlan } from '../../session/plan.ts';
import { resolveBlocks } from '../../session/resolve.ts';
import { buildStages } from '../build-stages.ts';
import { sayTimes } from './calls.ts';
import { likelyCalls } from './likely-calls.ts';

const SOUNDS = new Set(['three', 'two', 'one', 'ten']);

/** What is called in a session, without the counting down: `second words`. */
function called(text: string): string[] {
  const { plan, blocks, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return likelyCalls(plan, blocks, baseLibrary)
    .filter((c) => !SOUNDS.has(c.kind))
    .map((c) => `${Math.round(c.at)} ${c.say}`);
}

/** A script for each form, read by hand: times by the notation's own rules, paces of the shelf. */
describe('what is called at the likely pace', () => {
  test.each([
    [
      'Main: work 0:40 rest 0:20, 1 rounds\nside plank, half each side\nleft clam\n',
      [
        '0 side plank, left side first',
        '5 side plank, left side first. Down to the floor',
        '25 Switch sides, now right',
        '45 Rest. Next: clam, left side. On your back',
        '65 clam, left side',
        '85 Halfway',
        '105 Rest',
        '125 That was all. Well done.',
      ],
    ],
    [
      'Main: amrap 1:30\n3+1 burpee\n',
      [
        '0 Get ready. burpee',
        '5 As many rounds as you can, 3. First step-back squat thrust, then squat jump',
        '20 4 now',
        '40 5 now',
        '50 Halfway',
        '65 6 now',
        '95 That was all. Well done.',
      ],
    ],
    [
      'Main: pyramid +3 in 1:15 rest 0:45\nsquat\npush-up\n',
      [
        '0 Get ready. squat, push-up',
        '5 Up by 3 a set, 3 of each',
        '18 6 now',
        '43 9 now',
        '43 Halfway',
        '80 Rest. Next: squat, push-up. Stand up',
        '125 Down by 3 from the set you stopped in, 9 now, down again',
        '163 6 now',
        '163 Halfway',
        '188 3 now',
        '200 Rest',
        '245 That was all. Well done.',
      ],
    ],
    [
      'Main: every 1:00 x 1, work cap 0:25\n10 squat\n',
      ['0 Get ready. 10 squat', '5 10 squat', '30 Work should be over', '65 That was all. Well done.'],
    ],
    [
      'Main: flow\n13 step-back lunge, half each side\n',
      ['0 7 left, 6 right, step-back lunge', '5 7 left, 6 right, step-back lunge'],
    ],
    [
      'Main: work 0:40 rest 0:20, 1 rounds\nbridge, then hold 0:10\n8 man-maker\nsquat\n8 man-maker\n',
      [
        '0 bridge. On your back',
        '5 bridge. On your back',
        '25 Halfway',
        '35 Hold, 10 seconds',
        '45 Rest. Next: 8 man-maker. Stand up, take 2 dumbbells',
        '65 8 man-maker',
        '85 Halfway',
        '105 Rest. Next: squat',
        '125 squat',
        '145 Halfway',
        '165 Rest. Next: 8 man-maker',
        '185 8 man-maker',
      ],
    ],
    // At one's own pace there is no rest to say it in: it is said as it begins; a short time to get ready says the name alone.
    [
      'Main: flow\n8 bridge, then hold 0:10\n0:30/side side plank\n',
      [
        '0 8 bridge. On your back',
        '5 8 bridge. On your back',
        '23 hold glute bridge, 10 seconds',
        '33 30 seconds each side side plank, left side first',
        '38 30 seconds each side side plank, left side first. Down to the floor',
        '68 Switch sides, now right',
      ],
    ],
    // Ten squats take 22 s, five push-ups 10 s: each partner does the same, then the next item comes.
    [
      'Main: turns of 2 by item in 2:00\n10 squat\n5 push-up\n',
      [
        '0 Get ready. squat, push-up',
        '5 In turns of 2',
        '27 Partner 2: 10 squat',
        '49 Partner 1: 5 push-up',
        '59 Partner 2: 5 push-up',
        '65 Halfway',
        '69 Partner 1: 10 squat',
      ],
    ],
    ['Main: climb 1 by 1 every 1:00\nsquat\npush-up\n', ['0 Get ready. squat, push-up', '5 1 of each']],
  ])('%s', (text, script) => {
    expect(called(text).slice(0, script.length)).toEqual(script);
  });
});

test('times are said as a voice says them', () => {
  expect(['0:40', '1:00', '1:30', '12:05', 'rest 0:01'].map(sayTimes)).toEqual([
    '40 seconds',
    '1 minute',
    '1 minute 30 seconds',
    '12 minutes 5 seconds',
    'rest 1 second',
  ]);
});

test('in any session calls come in order, end with the end, and name the side that its steps have', () => {
  fc.assert(
    fc.property(fc.array(arbitraryBlock, { minLength: 1, maxLength: 3 }), (blocks) => {
      const document = { blocks };
      const plan = computePlan(document, baseLibrary);
      const resolved = resolveBlocks(document);
      const calls = likelyCalls(plan, resolved, baseLibrary);
      const stages = buildStages(plan, resolved);
      if (stages.length === 0) return;
      for (const [i, { at }] of calls.entries()) expect(at).toBeGreaterThanOrEqual(calls[i - 1]?.at ?? 0);
      expect(calls.at(-1)?.kind).toBe('finish');
      for (const { kind, side, block } of calls) {
        if (side === null || kind !== 'go') continue;
        const own = stages.filter((s) => s.block === block).flatMap((s) => s.sides);
        expect(own).toContain(side);
      }
    }),
    { numRuns: runs(60) },
  );
});
