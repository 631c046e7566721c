import type { IncomingMessage } from 'node:http';
import { LARGEST_BODY_BYTES } from './limits/limits.ts';

/** Methods that a `Request` can't have, or that nothing here answers to. */
const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);

/**
 * The status to refuse a request with before anything else looks at it; undefined where its first lines make sense. Addresses
 * are paths of ours (`//elsewhere` would be read as another site), the host is one, and the body isn't beyond all limits.
 */
export function refuseRequest(
  request: Pick<IncomingMessage, 'method' | 'url' | 'headers' | 'rawHeaders'>,
): number | undefined {
  const { method = '', url = '', headers } = request;
  if (!METHODS.has(method)) return 400;
  if (!url.startsWith('/') || url.startsWith('//') || url.includes('\\')) return 400;
  const host = headers.host;
  if (request.rawHeaders.filter((name, i) => i % 2 === 0 && name.toLowerCase() === 'host').length > 1) return 400;
  if (host !== undefined && !isHost(host)) return 400;
  if (!URL.canParse(url, 'http://localhost') || !isDecodable(url)) return 400;
  if (Number(headers['content-length'] ?? 0) > LARGEST_BODY_BYTES) return 413;
  return undefined;
}

const isHost = (host: string): boolean =>
  /^(\[[0-9a-f:.]+\]|[\w.-]+)(:\d{1,5})?$/i.test(host) && URL.canParse(`http://${host}`);

function isDecodable(url: string): boolean {
  try {
    decodeURIComponent(url.split('?')[0]!);
    return true;
  } catch {
    return false;
  }
}

/**
 * What to do with a Range header: `take` one that names bytes there can be (`bytes=0-99`, `bytes=100-`), `pass` by one that is
 * none or several of them, or counts from the end (the whole file is an answer to those, RFC 9110 14.2), or is of another unit, which must
 * be passed by; `refuse` nonsense.
 */
export function judgeRange(range: string): 'take' | 'pass' | 'refuse' {
  const match = /^bytes=(\d{1,15})-(\d{1,15})?$/.exec(range.trim());
  if (match) return match[2] === undefined || Number(match[1]) <= Number(match[2]) ? 'take' : 'refuse';
  return !range.trim().startsWith('bytes=') || /^bytes=[\d\s,-]{2,200}$/.test(range.trim()) ? 'pass' : 'refuse';
}
