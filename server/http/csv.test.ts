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
