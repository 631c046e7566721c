import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { buildNotices } from './notices.ts';

test('the notices name every package that ships, and those that they bring, as they are locked', () => {
  expect(readFileSync('NOTICES.md', 'utf8')).toBe(buildNotices());
  expect(buildNotices()).not.toContain('see the package');
  // One that is used directly, and one that only another brings.
  expect(buildNotices()).toMatch(/\| otpauth \| \S+ \| MIT \| directly \|/);
  expect(buildNotices()).toMatch(/\| @noble\/hashes \| \S+ \| MIT \| {2}\|/);
});

test('nothing ships under a licence that would bind what it ships with', () => {
  const licences = [...buildNotices().matchAll(/^\| \S+ \| \S+ \| ([^|]+) \|/gm)].map((m) => m[1]!.trim());
  expect(licences.length).toBeGreaterThan(100);
  expect(licences.filter((l) => /GPL|SSPL|BUSL|Commons Clause/i.test(l))).toEqual([]);
});
