import fc from 'fast-check';
import { expect, test } from 'vitest';
import { countLetters, cutLetters, hasAtMost } from './letters.ts';

test('an emoji counts one, and a cut never leaves half of it', () => {
  expect(countLetters('')).toBe(0);
  expect(countLetters('a😀b')).toBe(3);
  expect(cutLetters('a😀b', 2)).toBe('a😀');
  expect(cutLetters('a😀b', 1)).toBe('a');
  expect([hasAtMost(2)('😀😀'), hasAtMost(1)('😀😀'), hasAtMost(0)(undefined), hasAtMost(0)(null)]).toEqual([
    true,
    false,
    true,
    true,
  ]);
});

test('whatever is cut is a beginning, well formed, and as long as it may be', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), fc.nat(30), (text, most) => {
      const cut = cutLetters(text, most);
      expect(text.startsWith(cut)).toBe(true);
      expect(cut.isWellFormed()).toBe(text.isWellFormed() || cut.isWellFormed());
      expect(countLetters(cut)).toBe(Math.min(most, countLetters(text)));
    }),
  );
});
