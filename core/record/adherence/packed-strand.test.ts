import fc from 'fast-check';
import { expect, test } from 'vitest';
import { packStrand, unpackStrand } from './packed-strand.ts';

const STATES = ['done', 'part', 'not-done', 'due', 'missed', 'ahead', 'before', 'unsent', 'bonus', 'late'] as const;

test('a strand packed and unpacked is the same strand', () => {
  const mark = fc.record({ state: fc.constantFrom(...STATES), pct: fc.nat(100) }).map(({ state, pct }) => ({
    state,
    shareRatio: state === 'done' ? 1 : state === 'part' ? pct / 100 : state === 'not-done' ? 0 : undefined,
  }));
  fc.assert(
    fc.property(fc.array(mark), (marks) => {
      expect(unpackStrand(packStrand(marks))).toEqual(marks);
    }),
  );
});

test('a strand of 28 days is short, and says whether today is still open', () => {
  const marks = Array.from({ length: 28 }, () => ({ state: 'done' as const, shareRatio: 1 }));
  expect(packStrand(marks)).toBe('d'.repeat(28));
  expect(packStrand([{ state: 'part', shareRatio: 0.25 }])).toBe('p25');
  expect(() => unpackStrand('z')).toThrow(RangeError);
});
