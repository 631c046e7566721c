import { isSecure } from '../config.ts';

/** Of cookies that only we may set: on https a browser takes one so named from us alone, for this host alone (RFC 6265bis 4.1.3.2). */
const ownName = (name: string): string => (isSecure() ? `__Host-${name}` : name);

/** What a cookie says that `cookie` has set. */
export const readOwnCookie = (request: Request, name: string): string | undefined => readCookie(request, ownName(name));

/** What a cookie of this very name says, whoever set it. */
export function readCookie(request: Request, name: string): string | undefined {
  for (const part of (request.headers.get('cookie') ?? '').split(';')) {
    const at = part.indexOf('=');
    if (at > 0 && part.slice(0, at).trim() === name) return decode(part.slice(at + 1).trim());
  }
  return undefined;
}

/** Undefined for what no page of ours has written. */
function decode(value: string): string | undefined {
  try {
    return decodeURIComponent(value);
  } catch {
    return undefined;
  }
}

/** A Set-Cookie value; `maxAgeSec` 0 takes the cookie away. */
export const cookie = (name: string, value: string, maxAgeSec: number): string =>
  `${ownName(name)}=${encodeURIComponent(value)}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${maxAgeSec}${isSecure() ? '; Secure' : ''}`;
