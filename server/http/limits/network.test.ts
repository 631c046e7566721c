import { expect, test } from 'vitest';
import { networkOf } from './network.ts';

test.each([
  [null, 'unknown'],
  ['192.0.2.7', '192.0.2.7'],
  ['::ffff:192.0.2.7', '192.0.2.7'],
  ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
  ['2001:0DB8:0001:0002::1', '2001:db8:1:2::/64'],
  ['2001:db8::1', '2001:db8:0:0::/64'],
  ['::1', '0:0:0:0::/64'],
  ['fe80::1%eth0', 'fe80:0:0:0::/64'],
])('%s is of %s', (address, network) => {
  expect(networkOf(address)).toBe(network);
});
