import { parseCookie, stringifySetCookie } from 'cookie';
import { isSecure } from '../config.ts';

/** Of cookies that only we may set: on https a browser takes one so named from us alone, for this host alone (RFC 6265bis 4.1.3.2). */
const ownName = (name: string): string => (isSecure() ? `__Host-${name}` : name);

/** What a cookie says that `cookie` has set. */
export const readOwnCookie = (request: Request, name: string): string | undefined => readCookie(request, ownName(name));

/** What a cookie of this very name says, whoever set it. */
export const readCookie = (request: Request, name: string): string | undefined =>
  parseCookie(request.headers.get('cookie') ?? '')[name];

/** A Set-Cookie value; `maxAgeSec` 0 takes the cookie away. */
export const cookie = (name: string, value: string, maxAgeSec: number): string =>
  stringifySetCookie(ownName(name), value, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    maxAge: maxAgeSec,
    secure: isSecure(),
  });
