import type { IncomingMessage, ServerResponse } from 'node:http';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ReadableStream } from 'node:stream/web';

/** What of a body nobody has read yet runs into nothing from now on, so that the connection can be used again. */
const drains = new WeakMap<IncomingMessage, () => void>();
export const drainBody = (request: IncomingMessage): void => {
  drains.get(request)?.();
  request.resume();
};

/** A body as the web reads it: no faster than it is asked for. Not wanting it any more lets the rest run into nothing. */
function toBody(request: IncomingMessage): ReadableStream<Uint8Array> {
  let isOpen = true;
  const drain = () => {
    isOpen = false;
  };
  drains.set(request, drain);
  return new ReadableStream<Uint8Array>({
    start(controller) {
      request.on('data', (chunk: Buffer) => {
        if (!isOpen) return;
        controller.enqueue(new Uint8Array(chunk));
        if ((controller.desiredSize ?? 0) <= 0) request.pause();
      });
      const end = (close: () => void) => {
        if (isOpen) close();
        isOpen = false;
      };
      request.on('end', () => end(() => controller.close()));
      request.on('error', (error) => end(() => controller.error(error)));
      request.on('close', () => end(() => controller.error(new Error('the body did not arrive whole'))));
    },
    pull() {
      request.resume();
    },
    cancel() {
      drain();
      request.resume();
    },
  });
}

/** A request of the web's kind out of Node's. Throws TypeError on what can't be one. */
export function toFetchRequest(
  request: IncomingMessage,
  origin: string,
  headers: Headers,
  signal: AbortSignal,
): Request {
  const method = request.method ?? 'GET';
  const hasBody = method !== 'GET' && method !== 'HEAD';
  return new Request(new URL(request.url ?? '/', origin), {
    method,
    headers,
    signal,
    ...(hasBody && { body: toBody(request) as unknown as BodyInit, duplex: 'half' }),
  });
}

/** Writes an answer of the web's kind, no faster than the other side reads. A client that goes away is no error. */
export async function sendFetchResponse(answer: Response, response: ServerResponse, isHead: boolean): Promise<void> {
  for (const [name, value] of answer.headers) if (name !== 'set-cookie') response.setHeader(name, value);
  const cookies = answer.headers.getSetCookie();
  if (cookies.length > 0) response.setHeader('set-cookie', cookies);
  response.writeHead(answer.status);
  if (!answer.body || isHead) {
    await answer.body?.cancel();
    response.end();
    return;
  }
  try {
    await pipeline(Readable.fromWeb(answer.body as ReadableStream), response);
  } catch (error) {
    if (!response.destroyed && !isGone(error)) throw error;
  }
}

const isGone = (error: unknown): boolean =>
  ['ERR_STREAM_PREMATURE_CLOSE', 'ECONNRESET', 'EPIPE', 'ABORT_ERR'].includes((error as { code?: string }).code ?? '');
