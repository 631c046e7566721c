import type { IncomingMessage } from 'node:http';

/** Bodies that may be on their way at once: from one network, and in all. The rest of what may be in flight stays for who asks quickly. */
export interface MostUnfinished {
  readonly ofOne: number;
  readonly inAll: number;
}

/** Counts bodies that haven't arrived yet, so that clients which never finish one hold up nobody else. */
export class UnfinishedBodies {
  readonly #most: MostUnfinished;
  readonly #byNetwork = new Map<string, number>();
  #all = 0;

  constructor(most: MostUnfinished) {
    this.#most = most;
  }

  /** Takes a request's body in, and counts it until it has arrived or the client is gone; false where there are too many. */
  begin(request: IncomingMessage, network: string): boolean {
    if (request.complete || !hasBody(request)) return true;
    const own = this.#byNetwork.get(network) ?? 0;
    if (own >= this.#most.ofOne || this.#all >= this.#most.inAll) return false;
    this.#byNetwork.set(network, own + 1);
    this.#all++;
    let isCounted = true;
    const end = () => {
      if (!isCounted) return;
      isCounted = false;
      this.#all--;
      const left = (this.#byNetwork.get(network) ?? 1) - 1;
      if (left > 0) this.#byNetwork.set(network, left);
      else this.#byNetwork.delete(network);
    };
    request.once('end', end);
    request.once('close', end);
    return true;
  }
}

const hasBody = ({ headers }: IncomingMessage): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;
