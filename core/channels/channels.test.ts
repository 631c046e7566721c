import { expect, test } from 'vitest';
import { channelOf, channelOfAddress, findChannel } from './channels.ts';

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
