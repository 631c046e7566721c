import { createHash, randomBytes } from 'node:crypto';

/** 160 random bits, for an address or a cookie. */
export const makeToken = (): string => randomBytes(20).toString('base64url');

/** What is stored of a token: enough to recognise it, not to use it. */
export const hashToken = (token: string): Buffer => createHash('sha256').update(token).digest();

/** Whether these letters could be a token at all; anything else isn't looked up. */
export const isTokenShaped = (text: string): boolean => /^[A-Za-z0-9_-]{27}$/.test(text);
