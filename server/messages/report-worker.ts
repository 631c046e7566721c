/** Reads one delivery report on a thread of its own: what a stranger has sent holds up nobody but this. */
import { parentPort, workerData } from 'node:worker_threads';
import { readDeliveryReport } from './delivery-report.ts';

readDeliveryReport(Buffer.from(workerData as Uint8Array)).then(
  (report) => parentPort!.postMessage(report ?? null),
  () => parentPort!.postMessage(null),
);
