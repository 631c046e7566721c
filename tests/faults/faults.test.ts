import { expect, test } from 'vitest';
import { runFaults } from '../../bin/faults/run-faults.ts';

/** `./ysodos faults` does three hundred; here each kind comes once, and two more. */
test('under steady load and ten faults nothing that was acknowledged is lost or doubled, and every session goes out once', async () => {
  const report = await runFaults({ kills: 10, seed: 3, data: '.local/faults-test', say: () => undefined });
  expect(report.lost).toEqual([]);
  expect(report.wrong).toEqual([]);
  // It was no quiet run: each kind came, and there was something to lose.
  expect(Object.keys(report.faults).sort()).toEqual([
    'clock',
    'cut',
    'database',
    'disk',
    'mail',
    'slow',
    'web',
    'worker',
  ]);
  expect(report.logs).toBeGreaterThan(60);
  expect(report.drafts).toBeGreaterThan(5);
  expect(report.releases).toBe(96);
}, 400_000);
