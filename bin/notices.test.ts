import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { buildNotices } from './notices.ts';

test('the notices name every package that ships, as it is installed', () => {
  expect(readFileSync('NOTICES.md', 'utf8')).toBe(buildNotices());
  expect(buildNotices()).not.toContain('see the package');
});
