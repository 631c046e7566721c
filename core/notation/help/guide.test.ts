import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { SESSION_FIELDS } from '../../document/document.ts';
import { CLAUSE_STARTS } from '../../forms/clauses.ts';
import { SHAPES, shapeOf } from '../../forms/forms.ts';
import { baseLibrary } from '../../movement/library.ts';
import { MODIFIER_STARTS } from './complete.ts';
import type { GuideTopic } from './guide.ts';
import { GUIDE, GUIDE_TOPICS, takeExample, topicAt } from './guide.ts';
import { parseSession } from '../read-session.ts';

const section = (topic: GuideTopic) => GUIDE.find((s) => s.topic === topic)!;

/** Headers that a clause goes with: one of them takes it. */
const HEADERS = ['3 rounds', 'every 1:00 x 8', 'work 0:30 rest 0:15, 3 rounds', 'amrap 9:00', 'for time', ''];

/** Whole texts with an example in its place; it is fine where one of them reads without an issue. */
const HOSTS: Record<GuideTopic, (write: string) => string[]> = {
  field: (write) => [`${write}\n\nMain: flow\n5 squat\n`],
  block: (write) => [`${write}\nsquat\npush-up\n`, `${write}\n5 squat\n5 push-up\n`],
  clause: (write) =>
    HEADERS.flatMap((h) => ['squat', '5 squat'].map((i) => `Main: ${[h, write].filter(Boolean).join(', ')}\n${i}\n`)),
  item: (write) => [`Main: 3 rounds\n5 march\n${write}\n`],
  modifier: (write) => ['10 squat', '11 lunge'].map((i) => `Main: 3 rounds\n${i}, ${write}\n`),
  remark: (write) => [`Main: 3 rounds\n10 squat ${write}\n`],
};

describe('the guide', () => {
  test.each(GUIDE.flatMap((s) => s.examples.map((e) => [s.topic, e.write] as const)))(
    'of %s: %s can be written there',
    (topic, write) => {
      const reads = HOSTS[topic](write).map((text) => parseSession(text, baseLibrary).issues.map((i) => i.message));
      expect(reads).toContainEqual([]);
    },
  );

  test('shows everything that there is', () => {
    expect(GUIDE.map((s) => s.topic)).toEqual([...GUIDE_TOPICS]);
    for (const field of SESSION_FIELDS)
      expect(section('field').examples.some((e) => e.write.startsWith(`${field}:`))).toBe(true);
    const forms = section('block').examples.flatMap((e) => {
      const { document } = parseSession(`${e.write}\n5 squat\n5 push-up\n`, baseLibrary);
      return document.blocks.map((b) => shapeOf(b).id);
    });
    expect(SHAPES.filter((s) => !forms.includes(s.id)).map((s) => s.id)).toEqual([]);
    expect(section('modifier').examples).toHaveLength(MODIFIER_STARTS.length + 1);
    const said = GUIDE.flatMap((s) => s.examples.map((e) => e.write)).join('\n');
    const first = (words: string) => words.split(' ')[0]!;
    for (const { insert } of CLAUSE_STARTS.filter((s) => first(s.insert) !== 'emom'))
      expect(said).toContain(first(insert));
  });
});

const TEXT = `Title: Legs

Main (A): every 1:00 for 8:00, work cap 0:50
8 squat, slow
[squat, march], steady # mine

`;

describe('the part of the guide at a place', () => {
  test.each<[line: number, offset: number, topic: GuideTopic]>([
    [1, 8, 'field'],
    [2, 0, 'field'],
    [3, 5, 'block'],
    [3, 28, 'block'],
    [3, 31, 'clause'],
    [4, 3, 'item'],
    [4, 9, 'modifier'],
    [5, 8, 'item'],
    [5, 18, 'modifier'],
    [5, 27, 'remark'],
    [6, 0, 'item'],
    [7, 0, 'block'],
    [99, 0, 'block'],
  ])('line %i at %i is of %s', (line, offset, topic) => {
    expect(topicAt(TEXT, line, offset)).toBe(topic);
  });

  test('an empty text begins with a block, and anything else has some place', () => {
    expect(topicAt('', 1, 0)).toBe('block');
    expect(topicAt('\n\n', 2, 0)).toBe('block');
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom('a', ',', '#', '\n', ':', '[', ' ', 'Main: ') }),
        fc.nat(40),
        (text, at) => {
          expect(GUIDE_TOPICS).toContain(topicAt(text, at % 7, at));
        },
      ),
    );
  });
});

describe('taking an example', () => {
  test.each<[topic: GuideTopic, write: string, line: number, text: string, at: number]>([
    ['field', 'Effort: 6', 4, TEXT.replace('Legs\n', 'Legs\nEffort: 6\n'), 2],
    ['field', 'Title: Arms', 4, TEXT.replace('Title: Legs', 'Title: Arms'), 1],
    [
      'block',
      'Finisher: amrap 6:00\n5 squat',
      1,
      TEXT.replace('Legs\n\n', 'Legs\n\nFinisher: amrap 6:00\n5 squat\n\n'),
      5,
    ],
    ['block', 'Finisher: amrap 6:00\n5 squat', 4, `${TEXT.trimEnd()}\n\nFinisher: amrap 6:00\n5 squat\n`, 8],
    ['clause', 'then rest 2:00', 5, TEXT.replace('cap 0:50', 'cap 0:50, then rest 2:00'), 3],
    ['clause', 'then rest 2:00', 1, TEXT.replace('cap 0:50', 'cap 0:50, then rest 2:00'), 3],
    ['item', '10 lunge', 4, TEXT.replace('slow\n', 'slow\n10 lunge\n'), 5],
    ['item', '10 lunge', 1, TEXT.replace('0:50\n', '0:50\n10 lunge\n'), 4],
    ['modifier', '@ 8 kg', 4, TEXT.replace('slow', 'slow, @ 8 kg'), 4],
    ['modifier', '@ 8 kg', 5, TEXT.replace('steady', 'steady, @ 8 kg'), 5],
    ['modifier', '@ 8 kg', 3, TEXT.replace('slow', 'slow, @ 8 kg'), 4],
    ['remark', '# mind', 4, TEXT.replace('slow', 'slow # mind'), 4],
    ['remark', '# mind', 5, TEXT, 5],
  ])('%s “%s” from line %i', (topic, write, line, text, at) => {
    expect(takeExample(TEXT, line, topic, write)).toEqual({ text: text.replace(/\n+$/, '\n'), line: at });
  });

  test.each<[topic: GuideTopic, write: string, text: string]>([
    ['field', 'Effort: 6', 'Effort: 6\n'],
    ['block', 'Main: flow\n5 squat', 'Main: flow\n5 squat\n'],
    ['clause', '3 rounds', 'Main: 3 rounds\n'],
    ['item', '10 lunge', 'Main: flow\n10 lunge\n'],
    ['modifier', 'slow', ''],
    ['remark', '# mind', '# mind\n'],
  ])('%s “%s” in an empty text', (topic, write, text) => {
    expect(takeExample('', 1, topic, write).text).toBe(text);
  });

  test('goes into the form’s own place where the header is still empty', () => {
    expect(takeExample('Main: # soon\n5 squat\n', 2, 'clause', '3 rounds').text).toBe(
      'Main: 3 rounds # soon\n5 squat\n',
    );
  });

  test('never makes a readable text unreadable, but for clauses that don’t go together', () => {
    for (const { topic, examples } of GUIDE.filter((s) => s.topic !== 'clause'))
      for (const { write, shape } of examples)
        for (let line = 1; line <= 7; line++) {
          // A second tempo or load on a line is a contradiction of the coach's own.
          const host =
            topic === 'modifier'
              ? TEXT.replace(', slow', '').replace(', steady', '').replace('[squat, march]', '10 lunge')
              : TEXT;
          const { text } = takeExample(
            host,
            line,
            topic,
            shape ? `${write}\n5 squat\n5 push-up` : topic === 'block' ? `${write}\nsquat` : write,
          );
          expect([text, parseSession(text, baseLibrary).issues]).toEqual([text, []]);
        }
  });
});
