import type { IncomingMessage } from 'node:http';
import proxyAddr from 'proxy-addr';
import { ADDRESS_HEADER } from './address-header.ts';

const OWN_HEADER = /^x-(ysodos|forwarded)-/i;

/**
 * Finds the IP address of whoever asks: that of the socket, unless a trusted proxy names another. `trusted` are the proxies that
 * are believed (`loopback`, addresses, ranges); throws TypeError on another word.
 */
export function buildAddressOf(trusted: readonly string[]): (request: IncomingMessage) => string {
  const trust = proxyAddr.compile([...trusted]);
  return (request) => proxyAddr(request, trust) || 'unknown';
}

/** The headers as they came, with none that only we may set, and the address that we found. */
export function cleanHeaders(rawHeaders: readonly string[], address: string): Headers {
  const headers = new Headers();
  for (let i = 0; i < rawHeaders.length; i += 2) {
    const name = rawHeaders[i]!;
    if (!OWN_HEADER.test(name)) headers.append(name, rawHeaders[i + 1]!);
  }
  headers.set(ADDRESS_HEADER, address);
  return headers;
}
