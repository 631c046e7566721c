import fc from 'fast-check';
import { expect, test } from 'vitest';
import { countLetters, cutLetters, foldToLine, foldToLines, hasAtMost } from './letters.ts';

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

test('what breaks a line, or is a control character, is a blank in one line and a line break in several', () => {
  expect(foldToLine('a\nb\r\nc\u2028d\u0007\u0085e\tf')).toBe('a b c d e f');
  expect(foldToLines('a\nb\r\nc\rd\u2029e\u0007\tf')).toBe('a\nb\nc\nd\ne\tf');
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 40 }), (text) => {
      expect(foldToLine(text)).not.toMatch(/[\p{Cc}\p{Zl}\p{Zp}]/u);
      expect(foldToLines(text)).not.toMatch(/[^\P{Cc}\n\t]|[\p{Zl}\p{Zp}]/u);
      // Nothing else is touched.
      expect(foldToLine(text).replaceAll(' ', '')).toBe(text.replace(/[\p{Cc}\p{Zl}\p{Zp} ]/gu, ''));
    }),
  );
});
