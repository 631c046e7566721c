import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import * as OTPAuth from 'otpauth';
import type pg from 'pg';
import type { CoachKeys } from '../../db/queries/doors/coach.ts';
import { spendRecoveryCode, spendTotpStep } from '../../db/queries/doors/coach.ts';
import { hashToken } from './token.ts';

/** One-time codes by time (RFC 6238): six digits, half a minute each, SHA-1, which every authenticator knows. */
const STEP_SEC = 30;
const DIGITS = 6;
const KEY_BYTES = 20;

const totpOf = (key: Uint8Array, email: string): OTPAuth.TOTP =>
  new OTPAuth.TOTP({
    issuer: 'Ysodos',
    label: email,
    secret: new OTPAuth.Secret({ buffer: new Uint8Array(key).buffer }),
    digits: DIGITS,
    period: STEP_SEC,
    algorithm: 'SHA1',
  });

export interface SecondStepOffer {
  /** What an authenticator is told, letter by letter. */
  readonly key: string;
  /** The same as an address, for its camera. */
  readonly address: string;
}

export const makeTotpKey = (): Buffer => randomBytes(KEY_BYTES);

export function offerOf(key: Uint8Array, email: string): SecondStepOffer {
  const totp = totpOf(key, email);
  return { key: totp.secret.base32, address: totp.toString() };
}

/** The key as an authenticator was told it; undefined where it is none of ours. */
export function readTotpKey(base32: string): Buffer | undefined {
  if (!/^[A-Z2-7]{32}$/.test(base32)) return undefined;
  return Buffer.from(OTPAuth.Secret.fromBase32(base32).buffer);
}

/** The step of time that a code belongs to: this one, the one before or the one after; undefined where it is wrong. */
export function findStep(key: Uint8Array, code: string, nowMs: number): number | undefined {
  const digits = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(digits)) return undefined;
  const delta = totpOf(key, '').validate({ token: digits, timestamp: nowMs, window: 1 });
  return delta === null ? undefined : Math.floor(nowMs / 1000 / STEP_SEC) + delta;
}

const sealKey = (secret: string): Buffer => Buffer.from(hkdfSync('sha256', secret, '', 'ysodos second step', 32));

/** A coach's key as the database keeps it: of no use without SECRET. AES-256-GCM: nonce, tag, text. */
export function sealTotpKey(secret: string, coachId: number, key: Uint8Array): Buffer {
  const nonce = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', sealKey(secret), nonce).setAAD(Buffer.from(String(coachId)));
  const text = Buffer.concat([cipher.update(key), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), text]);
}

/** Undefined where it was sealed with another SECRET, or for another coach: nobody gets in by it. */
export function openTotpKey(secret: string, coachId: number, sealed: Uint8Array): Buffer | undefined {
  const bytes = Buffer.from(sealed);
  try {
    const decipher = createDecipheriv('aes-256-gcm', sealKey(secret), bytes.subarray(0, 12))
      .setAAD(Buffer.from(String(coachId)))
      .setAuthTag(bytes.subarray(12, 28));
    return Buffer.concat([decipher.update(bytes.subarray(28)), decipher.final()]);
  } catch {
    return undefined;
  }
}

/** Letters that aren't taken for each other. */
const CODE_LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const CODE_COUNT = 10;
const CODE_LENGTH = 12;

/** Ten codes for when the phone is gone, each for once: `abcd-efgh-jkmn`, 59 bits. */
export const makeRecoveryCodes = (): string[] =>
  Array.from({ length: CODE_COUNT }, () => {
    let letters = '';
    while (letters.length < CODE_LENGTH) {
      const byte = randomBytes(1)[0]!;
      // Those that would come up more often are thrown again.
      if (byte < CODE_LETTERS.length * 8) letters += CODE_LETTERS[byte % CODE_LETTERS.length];
    }
    return letters.replace(/(....)(?=.)/g, '$1-');
  });

export const hashRecoveryCode = (code: string): Buffer => hashToken(code.toLowerCase().replace(/[\s-]/g, ''));

/** What became of a code: right, by which way, or wrong. Each works once. */
export async function spendCode(
  db: pg.PoolClient,
  at: { readonly coachId: number; readonly secret: string; readonly nowMs: number },
  { totpSealed }: Pick<CoachKeys, 'totpSealed'>,
  code: string,
): Promise<'totp' | 'recovery' | undefined> {
  const key = totpSealed && openTotpKey(at.secret, at.coachId, totpSealed);
  const step = key ? findStep(key, code, at.nowMs) : undefined;
  if (step !== undefined) return (await spendTotpStep(db, at.coachId, step)) ? 'totp' : undefined;
  const isRecovery = await spendRecoveryCode(db, at.coachId, hashRecoveryCode(code), new Date(at.nowMs));
  return isRecovery ? 'recovery' : undefined;
}
