import { expect, test } from 'vitest';
import { formatWait } from './send-view.ts';

test('how long it is to wait', () => {
  expect([0, 59_000, 3_600_000, 3_660_000, 90_000_000, -60_000].map(formatWait)).toEqual([
    '0 min',
    '1 min',
    '1 h 0 min',
    '1 h 1 min',
    '1 d 1 h',
    '1 min',
  ]);
});
