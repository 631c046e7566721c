import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { createRequestListener } from '@react-router/node';
import compression from 'compression';
import { pino } from 'pino';
import type { ServerBuild } from 'react-router';
import sirv from 'sirv';

/** A path as it may stand in a log: personal links are left out. */
export const loggedPath = (url: string): string =>
  (url.split('?')[0] ?? '/').replace(/^\/p\/[^/.]+/, '/p/…').slice(0, 200);

export interface RunningServer {
  readonly server: Server;
  readonly close: () => Promise<void>;
}

/** Serves the production build. Rejects with the socket's error where the port can't be had. */
export async function listen(port: number, host = '127.0.0.1'): Promise<RunningServer> {
  const log = pino({ level: process.env.YSODOS_LOG ?? 'info', base: null });
  const build = (await import(pathToFileURL(resolve('build/server/index.js')).href)) as ServerBuild;
  const serveFile = sirv('build/client', {
    etag: true,
    setHeaders: (response, path) => {
      response.setHeader('x-content-type-options', 'nosniff');
      response.setHeader(
        'cache-control',
        path.startsWith('/assets/') ? 'public, max-age=31536000, immutable' : 'public, max-age=300',
      );
    },
  });
  const compress = compression() as unknown as (
    request: IncomingMessage,
    response: ServerResponse,
    next: () => void,
  ) => void;
  const handle = createRequestListener({ build, mode: 'production' });
  const server = createServer((request, response) => {
    const startedAt = performance.now();
    const url = request.url ?? '/';
    // The limit on sign-in attempts reads this; what a client sends under the name is overwritten.
    request.headers['x-ysodos-address'] = request.socket.remoteAddress ?? 'unknown';
    request.rawHeaders.push('x-ysodos-address', request.socket.remoteAddress ?? 'unknown');
    response.on('finish', () => {
      log.info({
        method: request.method,
        path: loggedPath(url),
        status: response.statusCode,
        ms: Math.round(performance.now() - startedAt),
      });
    });
    compress(request, response, () => serveFile(request, response, () => void handle(request, response)));
  });
  await new Promise<void>((done, failed) => {
    server.once('error', failed);
    server.listen(port, host, done);
  });
  return {
    server,
    close: () =>
      new Promise((done) => {
        server.close(() => done());
        server.closeAllConnections();
      }),
  };
}
