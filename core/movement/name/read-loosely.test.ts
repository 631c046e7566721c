import { expect, test } from 'vitest';
import { baseLibrary } from '../library.ts';
import { readLoosely } from './read-loosely.ts';

const said = (name: string) => readLoosely(name, baseLibrary)?.name;

test.each([
  ['brpee jump', 'jump burpee'],
  ['xurpee jump', 'jump burpee'],
  ['bxrpee jump', 'jump burpee'],
  ['urpee jump', 'jump burpee'],
  ['xburpee jump', 'jump burpee'],
  ['burpeex jump', 'jump burpee'],
  ['zquat jump', 'squat jump'],
])('a word is mended where one letter differs, the first two as well: %s', (written, read) => {
  expect(said(written)).toBe(read);
});

test('two near words are none, two letters are too many, and a short word is left as it is', () => {
  expect(said('quat jump')).toBeUndefined();
  expect(said('brxxee jump')).toBeUndefined();
  expect(said('jup')).toBeUndefined();
});
