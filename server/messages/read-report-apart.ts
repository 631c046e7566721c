import { Worker } from 'node:worker_threads';
import pLimit from 'p-limit';
import type { DeliveryReport } from './delivery-report.ts';

/** A report is read in milliseconds; one that takes this long is none. */
const PATIENCE_MS = 5_000;
const MOST_MEMORY_MB = 96;
/** Threads at once; reports that come in a heap wait for each other. */
const limit = pLimit(2);

/** A thread reads no TypeScript by itself, whatever the process was started with. */
const START = `import('tsx/esm/api').then(({ register }) => {
  register();
  return import(${JSON.stringify(new URL('./report-worker.ts', import.meta.url).href)});
});`;

/** Reads a mail as a delivery report beside the main thread, within time and memory; undefined where it is none, or takes more. */
export const readReportApart = (mail: Buffer): Promise<DeliveryReport | undefined> =>
  limit(
    () =>
      new Promise((done) => {
        const worker = new Worker(START, {
          eval: true,
          workerData: mail,
          execArgv: [],
          resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
        });
        const end = (report: DeliveryReport | undefined) => {
          clearTimeout(timer);
          void worker.terminate();
          done(report);
        };
        const timer = setTimeout(() => end(undefined), PATIENCE_MS);
        worker.once('message', (report: DeliveryReport | null) => end(report ?? undefined));
        worker.once('error', () => end(undefined));
        worker.once('exit', () => end(undefined));
      }),
  );
