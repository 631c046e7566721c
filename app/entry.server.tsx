import { randomBytes } from 'node:crypto';
import { Writable } from 'node:stream';
import { renderToPipeableStream } from 'react-dom/server';
import type { EntryContext } from 'react-router';
import { isRouteErrorResponse, ServerRouter } from 'react-router';
import { countFault, describeFault } from '../server/http/faults.ts';
import { NonceContext } from './shell/frame/nonce-context.ts';

// What `listen` needs of the build: the build's own copies, so that there is one router, one pool, one count.
export { createRequestHandler } from 'react-router';
export { closeDatabase } from '../server/database.ts';
export { closePdfPool } from '../server/paper/pdf-pool.ts';
export { startSignsOfLife } from '../server/http/signs-of-life.ts';
export { countFault, describeFault, faultCount } from '../server/http/faults.ts';

const TIMEOUT_MS = 8_000;

/** Scripts and style sheets are ours or carry the nonce; style attributes are allowed, since drawings are placed by them. */
const policy = (nonce: string): string =>
  [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "media-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join('; ');

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
): Response | Promise<Response> {
  const nonce = randomBytes(16).toString('base64');
  headers.set('content-security-policy', policy(nonce));
  headers.set('x-content-type-options', 'nosniff');
  headers.set('referrer-policy', 'same-origin');
  headers.set('content-type', 'text/html; charset=utf-8');
  if (!headers.has('cache-control')) headers.set('cache-control', 'private, no-store');
  if (request.method === 'HEAD') return new Response(null, { status, headers });
  // A page is ready in some milliseconds: whole, it goes out as one piece, and what breaks on the way is still told by its status.
  return new Promise((resolve, reject) => {
    let pageStatus = status;
    let hasShell = false;
    const chunks: Buffer[] = [];
    const page = new Writable({
      write(chunk: Buffer, _encoding, written) {
        chunks.push(chunk);
        written();
      },
      final(done) {
        clearTimeout(timeout);
        resolve(new Response(Buffer.concat(chunks), { status: pageStatus, headers }));
        done();
      },
    });
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext value={nonce}>
        <ServerRouter context={context} url={request.url} nonce={nonce} />
      </NonceContext>,
      {
        nonce,
        onAllReady: () => {
          pipe(page);
        },
        onShellError(error: unknown) {
          clearTimeout(timeout);
          reject(error instanceof Error ? error : new Error('the page could not be rendered'));
        },
        onShellReady: () => {
          hasShell = true;
        },
        onError(error: unknown) {
          pageStatus = 500;
          // What breaks before is the router's to tell, which answers with its own page.
          if (hasShell) logFault(error);
        },
      },
    );
    const timeout = setTimeout(abort, TIMEOUT_MS);
  });
}

/** Counts and logs what nobody meant: its kind, code and place in our code, none of anybody's data. */
export function handleError(error: unknown, { request }: { request: Request }): void {
  if (request.signal.aborted || isRouteErrorResponse(error) || error instanceof Response) return;
  logFault(error);
}

function logFault(error: unknown): void {
  countFault();
  process.stderr.write(`${JSON.stringify({ level: 50, time: Date.now(), ...describeFault(error) })}\n`);
}
