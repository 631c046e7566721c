import type { Server, Socket } from 'node:net';
import { connect, createServer } from 'node:net';

/** A way to a server that can be made slow, and cut. */
export interface FaultyWay {
  readonly port: number;
  /** Where it leads to; may change, as when a server comes back elsewhere. */
  target: number;
  /** Each piece takes so long, either way. */
  delayMs: number;
  /** Cuts every connection that there is. */
  readonly cut: () => void;
  readonly close: () => Promise<void>;
}

export async function openWay(port: number, target: number): Promise<FaultyWay> {
  const open = new Set<Socket>();
  const way = { port, target, delayMs: 0, cut: () => open.forEach((s) => s.destroy()), close };
  const server: Server = createServer((near) => {
    const far = connect(way.target, '127.0.0.1');
    for (const [from, to] of [
      [near, far],
      [far, near],
    ] as const) {
      open.add(from);
      from.on('data', (piece: Buffer) => {
        const pass = () => void (to.destroyed || to.write(piece));
        if (way.delayMs === 0) pass();
        else setTimeout(pass, way.delayMs);
      });
      from.on('error', () => to.destroy());
      from.on('close', () => {
        open.delete(from);
        to.destroy();
      });
    }
  });
  async function close(): Promise<void> {
    way.cut();
    await new Promise<void>((done) => server.close(() => done()));
  }
  await new Promise<void>((done, failed) => {
    server.once('error', failed);
    server.listen(port, '127.0.0.1', done);
  });
  return way;
}
