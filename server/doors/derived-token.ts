import { createHmac, randomUUID, timingSafeEqual } from 'node:crypto';
import { hashToken } from './token.ts';

/** What a token is for: one secret makes tokens that can't stand in for each other. */
type Use = 'link' | 'door' | 'confirm' | 'bounce';

const hmac = (secret: string, use: Use, salt: string): Buffer =>
  createHmac('sha256', secret).update(`${use}\n${salt}`).digest();

/**
 * A token that a worker can make again for the next message: from a salt that the database holds and a secret that it doesn't. As
 * long and as shaped as one of makeToken's.
 */
export const deriveToken = (secret: string, use: Exclude<Use, 'bounce'>, salt: string): string =>
  hmac(secret, use, salt).subarray(0, 20).toString('base64url');

/** A new salt with the hash of the token that it makes. */
export function makeSalt(secret: string, use: 'link' | 'door'): { readonly salt: string; readonly tokenHash: Buffer } {
  const salt = randomUUID();
  return { salt, tokenHash: hashToken(deriveToken(secret, use, salt)) };
}

/** The part of a return path that says which message came back, and that it is ours: `123-0a1b2c3d4e5f6a7b`. */
export const bounceTag = (secret: string, messageId: number): string =>
  `${messageId}-${hmac(secret, 'bounce', String(messageId)).subarray(0, 8).toString('hex')}`;

/** The message that a return path names; undefined where it isn't one of ours. */
export function readBounceTag(secret: string, tag: string): number | undefined {
  const match = /^([1-9]\d{0,14})-([0-9a-f]{16})$/i.exec(tag);
  if (!match) return undefined;
  const wanted = Buffer.from(bounceTag(secret, Number(match[1])));
  const said = Buffer.from(tag.toLowerCase());
  return wanted.length === said.length && timingSafeEqual(wanted, said) ? Number(match[1]) : undefined;
}
