import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import Papa from 'papaparse';
import { expect, test } from 'vitest';
import { toCsv } from './csv.ts';

const EVIL = ['=1+1', 'well;=1+1', 'a\t+1', 'two\n@x', 'a; -5', '＝x', 'x;  ＝x'];

test.each([',', ';', '\t'])('no cell is a formula, whatever a spreadsheet parts lines by: %j', (delimiter) => {
  const { data } = Papa.parse<string[]>(toCsv(EVIL.map((remark) => ({ remark, n: 1 }))), { delimiter });
  for (const cell of data.flat()) expect(cell).not.toMatch(/^"?\s*[=+\-@＝＋－＠]/);
});

test('what is no formula stays as it is', () => {
  const rows = [{ remark: 'felt good; 5-6 of 10', pace: -2, at: '2026-05-13' }];
  const { data } = Papa.parse(toCsv(rows).slice(1), { header: true });
  expect(data).toEqual([{ remark: 'felt good; 5-6 of 10', pace: '-2', at: '2026-05-13' }]);
});

test('any words come back by two readers (RFC 4180)', () => {
  const cell = fc
    .array(fc.constantFrom('a', ' ', '"', ',', '\r\n', '\n', 'ß', '早', '😀'), { maxLength: 12 })
    // What a spreadsheet would take for a formula is another thing, above.
    .map((parts) => `x${parts.join('')}`);
  fc.assert(
    fc.property(fc.array(fc.record({ name: cell, remark: cell }), { minLength: 1, maxLength: 5 }), (rows) => {
      const text = toCsv(rows);
      expect(parse(text, { bom: true, columns: true })).toEqual(rows);
      expect(Papa.parse(text.slice(1), { header: true }).data).toEqual(rows);
    }),
  );
});
