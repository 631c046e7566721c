import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';

const SHEETS = readdirSync('app', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.css') && !file.endsWith('.generated.css'))
  .map((file) => `app/${file}`);

test('type has eight sizes; only the clock’s figures, which fill a phone, have their own', () => {
  const tokens = readFileSync('app/theme/tokens.css', 'utf8').match(/--size-\d:/g);
  expect(new Set(tokens).size).toBe(8);
  const others = SHEETS.flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/font(?:-size)?:([^;]+);/g)]
      .map(([, value]) => value!.trim())
      .filter((value) => /\d(?:rem|px|vw|vh)/.test(value.replaceAll(/var\([^)]*\)/g, '')))
      .filter((value) => !(file.includes('/clock/') && /clamp|min\(/.test(value)))
      .map((value) => `${file}: ${value}`),
  );
  expect(others).toEqual([]);
});

test('a sheet is one part: none over 400 lines', () => {
  expect(SHEETS.filter((file) => readFileSync(file, 'utf8').split('\n').length > 400)).toEqual([]);
});
