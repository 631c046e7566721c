import { describe, expect, test } from 'vitest';
import {
  findStep,
  hashRecoveryCode,
  makeRecoveryCodes,
  makeTotpKey,
  offerOf,
  openTotpKey,
  readTotpKey,
  sealTotpKey,
} from './second-step.ts';

describe('codes by time', () => {
  const key = Buffer.from('12345678901234567890');
  // RFC 6238, appendix B, the last six of the eight digits of each line with SHA-1 (from memory).
  test.each([
    [59, '287082'],
    [1_111_111_109, '081804'],
    [1_111_111_111, '050471'],
    [1_234_567_890, '005924'],
    [2_000_000_000, '279037'],
    [20_000_000_000, '353130'],
  ])('at %d s it is %s, and it is the code of that half minute', (sec, code) => {
    expect(findStep(key, code, sec * 1000)).toBe(Math.floor(sec / 30));
    expect(findStep(key, ` ${code.slice(0, 3)} ${code.slice(3)}`, sec * 1000)).toBe(Math.floor(sec / 30));
    // A clock that is half a minute off still does, two don't.
    expect(findStep(key, code, (sec + 30) * 1000)).toBe(Math.floor(sec / 30));
    expect(findStep(key, code, (sec + 60) * 1000)).toBeUndefined();
  });
  test('what is no code is none', () => {
    for (const code of ['', '28708', '2870822', 'abcdef', '٢٨٧٠٨٢', '-87082', '287082\n287082'])
      expect(findStep(key, code, 59_000)).toBeUndefined();
  });
});

describe('a key', () => {
  test('is told to an authenticator, and read back from what the page sends', () => {
    const key = makeTotpKey();
    const { key: base32, address } = offerOf(key, 'mira@example.org');
    expect(readTotpKey(base32)).toEqual(key);
    const url = new URL(address);
    expect([url.protocol, url.searchParams.get('secret'), url.searchParams.get('issuer')]).toEqual([
      'otpauth:',
      base32,
      'Ysodos',
    ]);
    for (const other of ['', base32.slice(1), base32.toLowerCase(), `${base32}=`, '1'.repeat(32)])
      expect(readTotpKey(other)).toBeUndefined();
  });
  test('is of no use without the secret, to another coach, or changed', () => {
    const key = makeTotpKey();
    const sealed = sealTotpKey('one secret', 7, key);
    expect(openTotpKey('one secret', 7, sealed)).toEqual(key);
    expect(openTotpKey('another', 7, sealed)).toBeUndefined();
    expect(openTotpKey('one secret', 8, sealed)).toBeUndefined();
    expect(openTotpKey('one secret', 7, sealed.subarray(0, 20))).toBeUndefined();
    for (const at of [0, 13, sealed.length - 1]) {
      const changed = Buffer.from(sealed);
      changed[at]! ^= 1;
      expect(openTotpKey('one secret', 7, changed)).toBeUndefined();
    }
    expect(sealTotpKey('one secret', 7, key)).not.toEqual(sealed);
  });
});

test('recovery codes are ten, unlike each other, and read with or without dashes, in any case', () => {
  const codes = makeRecoveryCodes();
  expect(codes).toHaveLength(10);
  for (const code of codes) expect(code).toMatch(/^([a-hj-km-np-z2-9]{4}-){2}[a-hj-km-np-z2-9]{4}$/);
  expect(new Set(codes).size).toBe(10);
  expect(hashRecoveryCode(codes[0]!.toUpperCase().replaceAll('-', ''))).toEqual(hashRecoveryCode(codes[0]!));
  expect(hashRecoveryCode(codes[0]!)).not.toEqual(hashRecoveryCode(codes[1]!));
});
