import { isIPv6 } from 'node:net';

/** Hextets that one network of IPv6 usually has in common: a customer gets a /64 and has all addresses of it. */
const NETWORK_HEXTETS = 4;

/** The network that a client comes from, as limits count it: an IPv4 address, or the /64 of an IPv6 one. */
export function networkOf(address: string | null): string {
  if (address === null) return 'unknown';
  const bare = address.toLowerCase().replace(/%.*$/, '');
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/.exec(bare)?.[1];
  if (mapped !== undefined || !isIPv6(bare)) return mapped ?? bare;
  const [head = '', tail] = bare.split('::');
  const before = head.split(':').filter(Boolean);
  const after = tail === undefined ? [] : tail.split(':').filter(Boolean);
  const zeros = Array.from({ length: Math.max(0, 8 - before.length - after.length) }, () => '0');
  const all = [...before, ...(tail === undefined ? [] : zeros), ...after];
  return `${all
    .slice(0, NETWORK_HEXTETS)
    .map((h) => h.replace(/^0+(?=.)/, ''))
    .join(':')}::/64`;
}
