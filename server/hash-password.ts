import { hash, verify } from '@node-rs/argon2';
import pLimit from 'p-limit';

/** Hashing runs beside the main path, one at a time, so that a core stays free for everybody else. */
const hashing = pLimit(1);
/** So many may wait for it; more are asked to come back. */
const MAX_WAITING = 60;

export const hashPassword = (password: string): Promise<string> => hashing(() => hash(password));

/** Whether a password is the one that was hashed; undefined where too many are waiting to know. */
export async function verifyPassword(passwordHash: string, password: string): Promise<boolean | undefined> {
  return hashing.pendingCount >= MAX_WAITING ? undefined : hashing(() => verify(passwordHash, password));
}
