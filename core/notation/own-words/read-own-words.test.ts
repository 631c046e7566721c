import fc from 'fast-check';
import { expect, test } from 'vitest';
import { runs } from '../../../tests/long.ts';
import { baseLibrary } from '../../movement/library.ts';
import { NASTY_PIECES, nastyText } from '../nasty-text-fixture.ts';
import { parseSession } from '../read-session.ts';
import { PIECE_KINDS } from './piece.ts';
import type { OwnPlan } from './read-plan.ts';
import { readOwnPlan } from './read-plan.ts';

const read = (source: string): OwnPlan => readOwnPlan(source, baseLibrary);
const textOf = (source: string): string => read(source).days[0]?.text ?? '';

/** Bullets, numbers of a list and what else sets lines off: nothing that a session loses. */
const ORNAMENT = /^(?:[^\p{L}\p{N}]|\p{Extended_Pictographic}|\(?\d{1,2}[.)](?=\s)|\d{1,2}(?=\s+\p{L})|\[[ x]\])*$/u;

/** What of a source lies in no piece and is no ornament. */
function lost(source: string, { pieces }: OwnPlan): string[] {
  const found: string[] = [];
  let at = 0;
  for (const { start, end } of [...pieces, { start: source.length, end: source.length }]) {
    if (start > at) found.push(...source.slice(at, start).split(/[\r\n]+/));
    at = Math.max(at, end);
  }
  return found.filter((stretch) => !ORNAMENT.test(stretch));
}

const PHRASES = [
  'squats',
  'push-ups',
  'x10',
  '3x10',
  '3 x 10-12',
  '30 sec',
  '8 each leg',
  'e/s',
  'AMRAP',
  '12 min',
  'EMOM',
  'rest',
  'between rounds',
  '4 rounds',
  'Warm up:',
  'Cool down -',
  'buy-in',
  '1.',
  '-',
  'A1)',
  '@ 12 kg',
  '35 lb',
  '0:00',
  '0 squats',
  '"',
  '#',
  '21-15-9',
  '4-1-2',
  ' or ',
  '(easier: ',
  'harder:',
  ' / ',
  '60/70 kg',
  'tempo 31X1',
  '99999',
  'plank',
  '40/20',
  'every 90 sec',
  'repeat 5 times',
  'no equipment',
  "you'll need a chair",
  'about 25 minutes',
  'Monday',
  'Day 2:',
  'Week 3',
  'then',
  'or',
  'to failure',
  'hold for 20 seconds',
  'breathe out',
  'for time',
  'cap 10',
  '(easier: wall push-up)',
  '🔥',
  '–',
  '×',
  'ſ',
  '\t',
];
const texts = fc
  .array(
    fc
      .array(
        fc.oneof({ weight: 6, arbitrary: fc.constantFrom(...PHRASES) }, fc.string({ maxLength: 12, unit: 'grapheme' })),
        {
          maxLength: 7,
        },
      )
      .map((parts) => parts.join(' ')),
    { maxLength: 16 },
  )
  .map((lines) => lines.join('\n'));

test('every letter and digit of any text lies in a piece, pieces never overlap, and what comes out reads without an error', () => {
  fc.assert(
    fc.property(texts, (source) => {
      const plan = read(source);
      expect(lost(source, plan)).toEqual([]);
      for (const { text } of plan.days) expect(parseSession(text, baseLibrary).issues).toEqual([]);
      for (const [i, piece] of plan.pieces.entries()) {
        expect(PIECE_KINDS).toContain(piece.as);
        expect(piece.end).toBeGreaterThan(piece.start);
        const before = plan.pieces[i - 1];
        if (before && before.day === piece.day) expect(piece.start).toBeGreaterThanOrEqual(before.end);
        const lines = plan.days[piece.day]?.text.split('\n').length ?? 0;
        if (piece.line !== null) expect(piece.line).toBeLessThanOrEqual(lines);
      }
    }),
    { numRuns: runs(800) },
  );
});

test('what has no place in the notation stands in it as words: no word of a source is missing from it', () => {
  const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ');
  fc.assert(
    fc.property(texts, (source) => {
      for (const { text, pieces } of read(source).days) {
        if (text === '') continue;
        for (const { start, end, as } of pieces)
          if (as === 'note' || as === 'unread')
            for (const word of plain(source.slice(start, Math.min(end, start + 150)))
              .split(' ')
              .slice(0, -1))
              if (
                word.length > 3 &&
                !/^(?:then|have|today|total|round|sets|reps|each|after|that|hold|okay|does|with|rounds|afterwards|finally|lastly|next)$/.test(
                  word,
                )
              )
                expect(plain(text)).toContain(word);
      }
    }),
    { numRuns: runs(400) },
  );
});

test.each(NASTY_PIECES)('%j and many of %j are read, and nothing of it breaks', (head, piece) => {
  const plan = read(nastyText([head, piece], 20_000));
  for (const day of plan.days) expect(parseSession(day.text, baseLibrary).issues).toEqual([]);
});

test('nothing to read gives nothing', () => {
  expect(read('').days).toEqual([{ heading: '', week: null, weekday: null, text: '', pieces: [], doubts: [] }]);
  expect(textOf('!!!\n???')).toBe('');
  const greeting = read('Dear all,\nsee you on the hill');
  expect(greeting.days[0]!.text).toBe('');
  expect(greeting.pieces.map((p) => p.as)).toEqual(['unread', 'unread']);
});

test('a weight is taken up to 500 kg, as the notation takes it; pounds become kilograms with the original kept', () => {
  expect(textOf('10 goblet squats @ 500 kg')).toContain('@ 500 kg');
  expect(textOf('10 goblet squats @ 501 kg')).toContain('"501 kg"');
  expect(textOf('10 goblet squats @ 35 lb')).toContain('@ 16 kg, "35 lb"');
});

test('the sketch: four numbers beside a movement are asked about, words are kept at their place', () => {
  const source = '5 chair squats 4-1-2\nmarch, as many as feels right';
  const plan = read(source);
  expect(plan.days[0]!.text).toBe('Main: flow\n5 chair squat, tempo 4-1-2\nmarch, "as many as feels right"\n');
  expect(plan.doubts.map((d) => [source.slice(d.start, d.end), d.facts])).toEqual([
    ['4-1-2', { code: 'tempo-or-rounds', numbers: [4, 1, 2] }],
  ]);
  expect(plan.pieces.map((p) => [p.as, source.slice(p.start, p.end), p.line])).toEqual([
    ['dose', '5', 2],
    ['movement', 'chair squats', 2],
    ['tempo', '4-1-2', 2],
    ['movement', 'march', 3],
    ['note', 'as many as feels right', 3],
  ]);
});

test('days stand on their weekdays, in weeks where they are named', () => {
  const plan = read('Week 2\nMon: 10 squats\nThu: 10 lunges\nWeek 3\nMon: 12 squats');
  expect(plan.days.map((d) => [d.week, d.weekday, d.heading])).toEqual([
    [2, 1, 'Mon'],
    [2, 4, 'Thu'],
    [3, 1, 'Mon'],
  ]);
  expect(read('Monday burner\n10 squats').days).toHaveLength(1);
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
  [
    '3 sets of 8-10 bent-over rows\nrest 90 seconds',
    'Main: 3 rounds, rest 1:30 between rounds\n8 to 10 bent-over row\n',
  ],
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
  expect(textOf(plain)).toBe(text);
});

test('of a very long line the first 2,000 letters are read, what is behind is kept as words', () => {
  const text = textOf(`10 squats. ${'8 push-ups. '.repeat(400)}`);
  const count = text.split('\n').filter((line) => line.startsWith('8 push-up')).length;
  expect(count).toBeGreaterThan(20);
  expect(count).toBeLessThan(200);
});
