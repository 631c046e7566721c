import { DAY_MS } from '../../core/calendar/spans.ts';
import { createHash } from 'node:crypto';
import { resolve } from 'node:path';
import { LRUCache } from 'lru-cache';
import { Piscina } from 'piscina';
import { data } from 'react-router';
import { PDF } from '../http/limits/limits.ts';
import type { Paper } from './printed.ts';

const IDLE_MS = 60_000;
const MOST_MEMORY_MB = 256;

/** Made by content: the same paper is made once, however many ask for it, and kept a while. */
const made = new LRUCache<string, Uint8Array>({
  maxSize: PDF.keptBytes,
  sizeCalculation: (pdf) => pdf.byteLength,
});
const underWay = new Map<string, Promise<Uint8Array>>();

let pool: Piscina | undefined;
/** Threads beside the main path; started at the first paper, ended when none was wanted for a minute. */
const threads = (): Piscina =>
  (pool ??= new Piscina({
    filename: resolve('server/paper/pdf-worker.mjs'),
    minThreads: 0,
    maxThreads: PDF.threads,
    idleTimeout: IDLE_MS,
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  }));

/** A paper as PDF, made on a thread of its own or kept from before; 503 where too many wait, or it takes too long. */
export async function pdfOf(paper: Paper, nowMs: number): Promise<Uint8Array> {
  // The day on which a paper was made is on it; the minute isn't worth making it anew for.
  const createdMs = Math.floor(nowMs / DAY_MS) * DAY_MS;
  const key = createHash('sha256')
    .update(JSON.stringify([paper, createdMs]))
    .digest('base64');
  const known = made.get(key);
  if (known) return known;
  let making = underWay.get(key);
  if (!making) {
    making = make({ paper, createdMs }).finally(() => underWay.delete(key));
    underWay.set(key, making);
  }
  const pdf = await making;
  made.set(key, pdf);
  return pdf;
}

const away = () => data({ kind: 'away' }, { status: 503 });

async function make(task: { readonly paper: Paper; readonly createdMs: number }): Promise<Uint8Array> {
  const pool = threads();
  if (pool.queueSize >= PDF.waiting) throw away();
  try {
    return (await pool.run(task, { signal: AbortSignal.timeout(PDF.patienceMs) })) as Uint8Array;
  } catch (error) {
    throw error instanceof Error && error.name === 'AbortError' ? away() : error;
  }
}

/** Ends the threads; the next paper starts one again. */
export async function closePdfPool(): Promise<void> {
  const open = pool;
  pool = undefined;
  await open?.destroy();
}
