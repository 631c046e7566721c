import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { MAX_JSON_DEPTH, parseJson } from './parse-json.ts';

describe('JSON from outside', () => {
  test('is what JSON.parse says, for whatever can be stored', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
        const source = JSON.stringify(value);
        const read = parseJson(source);
        if (read.status === 'read') expect(JSON.stringify(read.value)).toBe(source);
        else expect(/\\u/.test(source) || !source.isWellFormed()).toBe(true);
      }),
    );
  });
  test('may be nested so deep and no deeper; brackets in texts don’t count', () => {
    const nested = (depth: number) => '['.repeat(depth) + ']'.repeat(depth);
    expect(parseJson(nested(MAX_JSON_DEPTH)).status).toBe('read');
    expect(parseJson(nested(MAX_JSON_DEPTH + 1))).toMatchObject({
      status: 'refused',
      message: expect.stringContaining('64 deep') as string,
    });
    expect(parseJson('['.repeat(1_000_000)).status).toBe('refused');
    expect(parseJson(JSON.stringify('['.repeat(500) + '\\"['))).toMatchObject({ status: 'read' });
  });
  test.each([
    ['"\\u0000"', /NUL/],
    ['{"\\ud83d": 1}', /half a character/],
    ['[["\\udc00"]]', /half a character/],
    ['{"a": 1', /bracket/],
    ['', /can’t be read/],
    ['{\0"\0a\0', /UTF-8/],
  ])('%j is refused in words', (source, words) => {
    expect(parseJson(source)).toMatchObject({ status: 'refused', message: expect.stringMatching(words) as string });
  });
  test('begins with a mark or not, and whole emoji stay', () => {
    expect(parseJson('\ufeff"\\ud83d\\ude00"')).toEqual({ status: 'read', value: '😀' });
  });
});
