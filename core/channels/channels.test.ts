import { expect, test } from 'vitest';
import { channelOf, channelOfAddress, countTold, findChannel, sumTold, toldWords } from './channels.ts';

test.each([
  ['ana@example.org', 'email'],
  ['+351 910 000 111', 'text'],
  ['0351 (91) 00-00.0', 'text'],
  ['1234567', 'text'],
  ['123456', undefined],
  ['1234567890123456', undefined],
  ['ana@example', undefined],
  ['ana@@example.org', undefined],
  ['.ana@example.org', undefined],
  ['a na@example.org', undefined],
  [`${'a'.repeat(110)}@example.org`, undefined],
  ['call me', undefined],
  ['', undefined],
])('%s is an address of: %s', (address, id) => {
  expect(channelOfAddress(address)?.id).toBe(id);
});

test('a channel is found by its name alone', () => {
  expect([findChannel('email')?.id, findChannel('text')?.id, findChannel('none'), findChannel('toString')]).toEqual([
    'email',
    'text',
    undefined,
    undefined,
  ]);
  expect(channelOf('text')).toMatchObject({ field: 'phone', by: 'as a text' });
});

test('people are counted by the channel that tells them, in the order of the channels', () => {
  const told = countTold(['text', 'email', undefined, 'email']);
  expect(told).toEqual({ email: 2, text: 1 });
  expect([sumTold(told), toldWords(told)]).toEqual([3, ['2 by e-mail', '1 by text']]);
  expect([sumTold({}), toldWords({})]).toEqual([0, []]);
});
