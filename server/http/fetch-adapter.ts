import type { IncomingMessage, ServerResponse } from 'node:http';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';

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
    ...(hasBody && { body: Readable.toWeb(request) as unknown as BodyInit, duplex: 'half' }),
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
