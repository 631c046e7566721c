import { isSecure } from './config.ts';

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
  `${name}=${encodeURIComponent(value)}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${maxAgeSec}${isSecure() ? '; Secure' : ''}`;
