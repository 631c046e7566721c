import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { optionFields, optionLines, optionValue, withOptions } from './option-fields.ts';

const { blocks } = parseSession(
  'Main: 3 rounds\n10 alt step-back lunge or 5/side split squat @ 8 kg or squat\n[squat, march]\n8 push-up\n\nFinisher: reps 9-7\nchair dip or wall push-up\n',
  baseLibrary,
).document;
const fields = optionFields(blocks);

test('every line that leaves a choice is asked about, each option as it is done', () => {
  expect(fields.map((f) => [f.name, optionLines(f, blocks, baseLibrary)])).toEqual([
    ['option-0-0', ['10 step-back lunge, sides in turn', '5 split squat, each side, with 8 kg', '10 squat']],
    ['option-1-0', ['9, 7 chair dip', '9, 7 wall push-up']],
  ]);
});

test('the form’s word goes before the clock’s; what it doesn’t say stays as the clock saw it', () => {
  const clock = [
    { block: 0, item: 0, from: 'step-back lunge', to: 'squat' },
    { block: 0, item: 2, from: 'push-up', to: 'wall push-up' },
  ];
  const say = (words: Record<string, string>) => withOptions(clock, fields, (name) => words[name] ?? '');
  expect(say({})).toEqual(clock);
  expect(say({ 'option-0-0': '1' })).toEqual([
    clock[1],
    { block: 0, item: 0, from: 'step-back lunge', to: 'split squat' },
  ]);
  // The first is what stands written: choosing it is no change.
  expect(say({ 'option-0-0': '0' })).toEqual([clock[1]]);
  for (const nonsense of ['9', 'x', '-1', '1.5', '01']) expect(say({ 'option-0-0': nonsense })).toEqual(clock);
});

test('what was chosen comes back as the field’s value', () => {
  const value = (to: string) => optionValue(fields[0]!, [{ block: 0, item: 0, from: 'step-back lunge', to }]);
  expect([value('split squat'), value('squat'), value('heron walk'), optionValue(fields[0]!, [])]).toEqual([
    '1',
    '2',
    '',
    '',
  ]);
});
