import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: [
            '{app,bin,core,db,demo,server,words}/**/*.test.{ts,tsx}',
            'tests/{worked,plans,recomputed}/*.test.ts',
          ],
          exclude: ['**/*.data.test.ts'],
          setupFiles: ['tests/seed.ts'],
          testTimeout: 60_000,
          // They change nothing that another could see: what they import is loaded once a worker.
          isolate: false,
        },
      },
      {
        test: {
          name: 'data',
          include: ['{db,demo,server,tests}/**/*.data.test.ts'],
          setupFiles: ['tests/seed.ts'],
          testTimeout: 30_000,
          hookTimeout: 60_000,
          fileParallelism: false,
        },
      },
      {
        test: {
          name: 'hostile',
          include: ['tests/hostile/**/*.test.ts'],
          testTimeout: 60_000,
          hookTimeout: 120_000,
          // Each file has a demo of its own, and mostly waits.
          maxWorkers: 2,
        },
      },
      {
        test: {
          name: 'faults',
          include: ['tests/faults/**/*.test.ts'],
          testTimeout: 240_000,
          hookTimeout: 180_000,
        },
      },
      {
        test: {
          name: 'browser',
          include: ['tests/browser/**/*.test.ts'],
          setupFiles: ['tests/browser/start-demo.ts'],
          // How long a page may take to show what was just asked of it.
          expect: { poll: { timeout: 10_000 } },
          testTimeout: 60_000,
          hookTimeout: 120_000,
          // Each file has a demo and a browser of its own.
          maxWorkers: 2,
        },
      },
    ],
  },
});
