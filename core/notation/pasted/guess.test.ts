import fc from 'fast-check';
import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { guessDays, guessSession } from './guess.ts';
import { parseSession } from '../parse.ts';
import { runs } from '../../../tests/long.ts';

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
  [
    'every minute on the minute 20: 10 squats, 8 push-ups, 12 lunges, 20s plank (5 rounds)',
    'Main: every 1:00 for 20:00\n10 squat\n8 push-up\n12 forward lunge\n0:20 plank\n',
  ],
  [
    'every minute on the minute: 10 squats, 8 push-ups, 20s plank (5 rounds)',
    'Main: every 1:00 for 15:00\n10 squat\n8 push-up\n0:20 plank\n',
  ],
  ['EMOM 18 min: 6 burpees, 10 squats', 'Main: every 1:00 for 18:00\n6 burpee\n10 squat\n'],
  ['E2MOM 20\n8 burpees', 'Main: every 2:00 for 20:00\n8 burpee\n'],
  ['4 rounds of 10 squats, 8 push-ups', 'Main: 4 rounds\n10 squat\n8 push-up\n'],
  ['4 rounds of:\n10 squats\n8 push-ups', 'Main: 4 rounds\n10 squat\n8 push-up\n'],
  ['10 squats, 8 push-ups, 20s plank\nx3', 'Main: 3 rounds\n10 squat\n8 push-up\n0:20 plank\n'],
  ['30s on / 15s off\nsquats\npush-ups', 'Main: work 0:30 rest 0:15\nsquat\npush-up\n'],
  ['3 sets of 12\nsquats\npush-ups', 'Main: 3 rounds, reps 12\nsquat\npush-up\n'],
  ['squats 3 sets of 12', 'Main: 3 rounds\n12 squat\n'],
  ['AMRAP in 10: 5 burpees + 10 squats', 'Main: amrap 10:00\n5 burpee\n10 squat\n'],
  ['ladder 10 to 1\nsquats\npush-ups', 'Main: reps 10-9-8-7-6-5-4-3-2-1\nsquat\npush-up\n'],
])('%j', (plain, text) => {
  expect(guess(plain).text).toBe(text);
});

test('a week of days is read day by day, each on its weekday', () => {
  const days = guessDays(
    'Monday\n3 rounds\n10 squats\n\nWed: Legs\nEMOM 10\n8 lunges\n10 squats\nDay 5 - rest\nwalk a little',
    baseLibrary,
  );
  expect(days.map((d) => [d.weekday, d.text.split('\n')[0]])).toEqual([
    [1, 'Main: 3 rounds'],
    [3, 'Title: Legs'],
    [5, ''],
  ]);
  expect(guessDays('Monday burner\n10 squats', baseLibrary)).toHaveLength(1);
  expect(guessDays('', baseLibrary)).toEqual([{ heading: '', weekday: null, text: '', lines: [] }]);
});

test('a line that isn’t taken is listed with what it could be', () => {
  const { lines } = guess('3 rounds\n10 squats\npushups to finish strong\n12\nsee you on the hill');
  const left = lines.filter((l) => l.becomes === 'left-out');
  expect(left.map((l) => l.source)).toContain('12');
  expect(left.every((l) => (l.why ?? '') !== '')).toBe(true);
  expect(left.find((l) => l.source === '12')!.why).toContain('a number without an exercise');
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
        const written = raw
          .join('\n')
          .split(/\r\n|\n|\r/)
          .filter((l) => l.trim() !== '');
        // A line may be read as several; none is dropped.
        expect(lines.length).toBeGreaterThanOrEqual(written.length);
        for (const line of written)
          expect(lines.some((l) => line.includes(l.source) || l.source.includes(line.trim().slice(0, 3)))).toBe(true);
        expect({ text, issues: parseSession(text, baseLibrary).issues }).toEqual({ text, issues: [] });
      },
    ),
    { numRuns: runs(1500) },
  );
});

test('a weight is taken up to 500 kg, as the notation takes it', () => {
  expect(guess('10 goblet squats @ 500 kg').text).toContain('@ 500 kg');
  expect(guess('10 goblet squats @ 501 kg').text).not.toContain('@');
});
