import fc from 'fast-check';
import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { guessSession } from './guess.ts';
import { parseSession } from './parse.ts';

const guess = (text: string) => guessSession(text, baseLibrary);

test('a numbered list with sets, reps, times and sides', () => {
  const { text, lines } = guess(
    'Monday burner\n\n1. Squats 3x10\n2) Push ups x 12\n3. 30 sec plank\n4. Reverse lunges 8 each leg\n5. mystery move 15',
  );
  expect(text).toBe(
    'Title: Monday burner\n\nMain: 3 rounds\n10 squat\n12 push-up\n0:30 plank\n8/side step-back lunge\n15 mystery move\n',
  );
  expect(lines.map((l) => l.becomes)).toEqual(['title', 'item', 'item', 'item', 'item', 'item']);
  expect(lines.map((l) => l.isSure)).toEqual([true, true, true, true, true, false]);
  expect(lines[5]!.why).toContain('mystery move');
});

test.each([
  [
    'Warm up\n10 arm circles\n\nAMRAP 12 min\n5 burpees\n10 sit-ups',
    'Warm-up: flow\n10 arm circle\n\nMain: amrap 12:00\n5 burpee\n10 sit-up\n',
  ],
  ['EMOM 10\n- 8 push-ups\n- 12 squats', 'Main: every 1:00 for 10:00\n8 push-up\n12 squat\n'],
  ['40 sec work 20 sec rest, 3 rounds\nsquats\nplank', 'Main: work 0:40 rest 0:20, 3 rounds\nsquat\nplank\n'],
  [
    '4 rounds, rest 60 sec between rounds\n• 10 goblet squats @ 12 kg\n• 0:45 wall sit',
    'Main: 4 rounds, rest 1:00 between rounds\n10 goblet squat, @ 12 kg\n0:45 wall sit\n',
  ],
  ['21-15-9 for time\nsquats\npush-ups', 'Main: for time, reps 21-15-9\nsquat\npush-up\n'],
  ['3 sets of 8-10 bent-over rows\nrest 90 seconds', 'Main: 3 rounds\n8 to 10 bent-over row\n1:30 rest\n'],
  [
    'Cool down:\nchild’s pose 1 min\ncalf stretch 30s per side',
    'Cool-down: flow\n1:00 child’s pose\n0:30/side calf stretch\n',
  ],
])('%j', (plain, text) => {
  expect(guess(plain).text).toBe(text);
});

test('nothing to read gives nothing', () => {
  expect(guess('')).toEqual({ text: '', lines: [] });
  expect(guess('!!!\n???').text).toBe('');
  expect(guess('Dear all,\nsee you on the hill').text).toBe('');
  expect(guess('3 rounds\n10 squats\nsee you on the hill').lines.at(-1)).toMatchObject({
    becomes: 'left-out',
    isSure: false,
  });
});

test('every source line is accounted for, and what comes out reads without an error', () => {
  const piece = fc.oneof(
    fc.constantFrom(
      'squats',
      'x10',
      '3x10',
      '3 x 10-12',
      '30 sec',
      '8 each leg',
      'AMRAP',
      '12 min',
      'EMOM',
      'rest',
      'between rounds',
      '4 rounds',
      'Warm up:',
      '1.',
      '-',
      '@ 12 kg',
      '0:00',
      '0 squats',
      '"',
      '#',
      '21-15-9',
      '99999',
      'plank',
      '40/20 intervals',
      'every 90 sec',
      'repeat 5 times',
    ),
    fc.string({ maxLength: 12 }),
  );
  fc.assert(
    fc.property(
      fc.array(
        fc.array(piece, { maxLength: 6 }).map((p) => p.join(' ')),
        { maxLength: 20 },
      ),
      (raw) => {
        const { text, lines } = guess(raw.join('\n'));
        expect(lines).toHaveLength(
          raw
            .join('\n')
            .split(/\r\n|\n|\r/)
            .filter((l) => l.trim() !== '').length,
        );
        expect({ text, issues: parseSession(text, baseLibrary).issues }).toEqual({ text, issues: [] });
      },
    ),
    { numRuns: 1500 },
  );
});
