import { describe, expect, test } from 'vitest';
import type { Channel } from './channel.ts';
import { email, isEmailAddress } from './email.ts';
import { text } from './text.ts';
import {
  registerChannels,
  channelOf,
  channelOfAddress,
  countTold,
  findChannel,
  sumTold,
  toldWords,
} from './channels.ts';

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

test('one more channel is one more member: it is found, written to and counted as the others are', () => {
  const pager: Channel<'pager'> = {
    id: 'pager',
    field: 'pager',
    isAddress: (address) => /^P\d{4}$/.test(address),
    refusal: 'That is no pager.',
    by: 'by pager',
    told: 'by pager',
    as: 'to pagers',
    outage: null,
  };
  const { channelOf, channelOfAddress, findChannel, toldWords } = registerChannels({ email, text, pager });
  expect(channelOfAddress('P1234')).toBe(pager);
  expect(channelOfAddress('ana@example.org')?.id).toBe('email');
  expect([channelOf('pager').refusal, findChannel('pager')?.as]).toEqual(['That is no pager.', 'to pagers']);
  expect(toldWords({ pager: 3, email: 1 })).toEqual(['1 by e-mail', '3 by pager']);
});

describe('addresses', () => {
  test.each(['a@example.org', 'first.last+tag@mail.example.org', 'ä@bücher.example', "o'neil@example.org"])(
    '%s is one',
    (x) => {
      expect(isEmailAddress(x)).toBe(true);
    },
  );
  test.each([
    '',
    'a',
    'a@b',
    'a b@example.org',
    'a@example.org\r\nBcc: b@example.org',
    '<a@example.org>',
    'a@@example.org',
    '.a@example.org',
    'a..b@example.org',
    'a.@example.org',
    'a@.example.org',
    'a@-x.example.org',
    'a@example.o',
    `${'a'.repeat(65)}@example.org`,
    `a@${'b'.repeat(120)}.org`,
  ])('%j is none', (x) => {
    expect(isEmailAddress(x)).toBe(false);
  });
  test('numbers have seven to fifteen digits (ITU-T E.164)', () => {
    for (const x of ['+351 910 000 111', '1234567', '+43 (1) 5550-100', '123456789012345'])
      expect([x, channelOf('text').isAddress(x)]).toEqual([x, true]);
    for (const x of ['123456', '1234567890123456', 'call me', '+', '12 34 56 x7', ''])
      expect([x, channelOf('text').isAddress(x)]).toEqual([x, false]);
  });
});
