import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import type { CompletionScope } from './complete.ts';
import { completeLine } from './complete.ts';
import { doseStops, nextStop } from '../dose-stops.ts';
import { parseSession } from '../read-session.ts';
import { readDoseText } from '../read-dose.ts';

const SCOPE: CompletionScope = { library: baseLibrary, labels: ['Opener'], routines: ['Slow start'], inBlock: true };
const at = (line: string, scope: Partial<CompletionScope> = {}) =>
  completeLine(line, line.length, { ...SCOPE, ...scope });
const labels = (line: string, scope?: Partial<CompletionScope>) => at(line, scope)?.options.map((o) => o.label) ?? [];

describe('completion', () => {
  test('above the first block: session lines and blocks', () => {
    expect(labels('Ta', { inBlock: false })).toEqual([
      'Warm-up:',
      'Skill:',
      'Main:',
      'Finisher:',
      'Cool-down:',
      'Title:',
      'Target:',
      'Group:',
      'Kit:',
      'Effort:',
      'Retest:',
      'Note:',
      'Film:',
    ]);
  });
  test('in a header: clauses, labels to come back to, routines', () => {
    const list = labels('Main: 3 rounds, re');
    expect(list).toEqual(
      expect.arrayContaining(['amrap', 'rest between rounds', 'same as Opener', 'routine Slow start']),
    );
    expect(at('Main: 3 rounds, re')!.from).toBe('Main: 3 rounds, '.length);
  });
  test('after a dose the movements by name, at the start of a line with their usual dose', () => {
    expect(at('10 sq')!.from).toBe(3);
    expect(at('10 sq')!.options.find((o) => o.label === 'squat')!.insert).toBe('squat');
    expect(at('sq')!.options.find((o) => o.label === 'squat')!.insert).toBe('10 squat');
    expect(at('pl')!.options.find((o) => o.label === 'side plank')!.insert).toBe('0:30/side side plank');
    expect(at('8/side sp')!.from).toBe(7);
    expect(at('40 skip or do')!.from).toBe(11);
  });
  test('names read from their words are cut at twelve, and the list says so', () => {
    const read = (line: string) => at(line)!.options.filter((o) => o.detail === 'read from its words');
    expect([read('10 dumbbell ').length, at('10 dumbbell ')!.isCut]).toEqual([12, true]);
    expect(read('10 dumbbell rev').map((o) => o.label)).toContain('dumbbell reverse lunge');
    expect([read('10 dumbbell rev').length < 12, at('10 dumbbell rev')!.isCut]).toEqual([true, false]);
  });
  test('after a comma the modifiers', () => {
    expect(labels('10 squat, te')).toContain('tempo 4-1-2');
    expect(at('10 squat, te')!.from).toBe(10);
  });
  test('nothing in comments, quotations and other lines’ values', () => {
    for (const line of ['10 squat # wi', '10 "squ', 'Title: Quiet l']) expect(at(line)).toBeUndefined();
  });
  test('whatever is chosen reads', () => {
    const body = '\n10 squat\n8 march\n';
    for (const option of at('Main: ')!.options.filter((o) => o.kind === 'clause')) {
      if (['stations', 'work cap 0:50', 'reps 4-8-12 cycling'].includes(option.insert)) continue; // They go with a clock.
      expect({ option, issues: parseSession(`Main: ${option.insert}${body}`, baseLibrary).issues }).toMatchObject({
        issues: [],
      });
    }
    for (const option of at('')!.options.filter((o) => o.kind === 'movement'))
      expect(parseSession(`Main: 3 rounds\n${option.insert}`, baseLibrary).issues).toEqual([]);
    for (const option of at('10 squat, ')!.options)
      expect(parseSession(`Main: 3 rounds\n10 squat, ${option.insert}`, baseLibrary).issues).toEqual([]);
  });
});

describe('Tab goes from number to number', () => {
  const text =
    'Title: 3 of 4\nTarget: 30 min\nMain: every 1:15 for 30:00\n8 squat  # 5 more\n9-7-5 march\n10/side split squat\n3+1 burpee';
  const stops = doseStops(text);
  test('counts, times, and a list as one; not in titles and comments', () => {
    expect(stops.map((s) => text.slice(s.from, s.to))).toEqual(['30', '1:15', '30:00', '8', '9-7-5', '10', '3+1']);
  });
  test('forward, backward, and beyond the ends', () => {
    expect(nextStop(stops, { from: 0, to: 0 }, 1)).toEqual(stops[0]);
    expect(nextStop(stops, stops[2]!, 1)).toEqual(stops[3]);
    expect(nextStop(stops, stops[2]!, -1)).toEqual(stops[1]);
    expect(nextStop(stops, stops.at(-1)!, 1)).toBeUndefined();
    expect(nextStop(stops, stops[0]!, -1)).toBeUndefined();
    expect(doseStops('')).toEqual([]);
  });
});

test.each([
  ['10/side', { kind: 'reps', sides: 'each' }],
  ['0:30', { kind: 'time' }],
  ['max', { kind: 'max' }],
  ['each side', { kind: 'given', sides: 'each' }],
  ['200 m', { kind: 'distance', metres: 200 }],
])('a dose by itself: %s', (text, dose) => {
  expect(readDoseText(text)).toMatchObject({ status: 'success', dose });
});
test.each(['0', 'ten', '10 squat', '10, slow', '5 left', '8\nMain: flow', '"'])(
  'is refused with a reason: %j',
  (text) => {
    expect(readDoseText(text)).toMatchObject({ status: 'error', message: expect.stringMatching(/\w/) as string });
  },
);
test('empty is no dose', () => {
  expect(readDoseText(' ')).toEqual({ status: 'success', dose: undefined });
});
