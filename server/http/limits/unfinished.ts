import type { IncomingMessage } from 'node:http';

/** Bodies that may be on their way at once: from one network, and in all. The rest of what may be in flight stays for who asks quickly. */
export interface MostUnfinished {
  readonly ofOne: number;
  readonly inAll: number;
}

/** How slowly a body may come: so many bytes a second on the average, once it has had a while to begin. */
export interface SlowestBody {
  readonly bytesPerSec: number;
  readonly graceMs: number;
}

interface Unfinished {
  readonly request: IncomingMessage;
  readonly beganMs: number;
  readonly readBefore: number;
}

/** Counts bodies that haven't arrived yet, so that clients which never finish one hold up nobody else; the slowest are cut off. */
export class UnfinishedBodies {
  readonly #most: MostUnfinished;
  readonly #byNetwork = new Map<string, number>();
  readonly #open = new Set<Unfinished>();
  #all = 0;

  constructor(most: MostUnfinished) {
    this.#most = most;
  }

  /** Takes a request's body in, and counts it until it has arrived or the client is gone; false where there are too many. */
  begin(request: IncomingMessage, network: string, nowMs = performance.now()): boolean {
    if (request.complete || !hasBody(request)) return true;
    const own = this.#byNetwork.get(network) ?? 0;
    if (own >= this.#most.ofOne || this.#all >= this.#most.inAll) return false;
    this.#byNetwork.set(network, own + 1);
    this.#all++;
    const one: Unfinished = { request, beganMs: nowMs, readBefore: request.socket?.bytesRead ?? 0 };
    this.#open.add(one);
    let isCounted = true;
    const end = () => {
      if (!isCounted) return;
      isCounted = false;
      this.#open.delete(one);
      this.#all--;
      const left = (this.#byNetwork.get(network) ?? 1) - 1;
      if (left > 0) this.#byNetwork.set(network, left);
      else this.#byNetwork.delete(network);
    };
    request.once('end', end);
    request.once('close', end);
    return true;
  }

  /** Cuts off what comes more slowly than it may; gives how many. To be called now and then. */
  cutSlow({ bytesPerSec, graceMs }: SlowestBody, nowMs = performance.now()): number {
    let cut = 0;
    for (const { request, beganMs, readBefore } of this.#open) {
      const tookMs = nowMs - beganMs;
      const read = (request.socket?.bytesRead ?? 0) - readBefore;
      if (tookMs <= graceMs || read >= (bytesPerSec * tookMs) / 1000) continue;
      request.destroy();
      cut++;
    }
    return cut;
  }
}

const hasBody = ({ headers }: IncomingMessage): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;
