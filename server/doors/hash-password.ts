import { hash, verify } from '@node-rs/argon2';
import { FairQueue } from '../http/limits/fair-queue.ts';

/** Hashing runs beside the main path, one at a time, so that a core stays free for everybody else; 52 ms each. */
const hashing = new FairQueue({ mostOfLane: 12, most: 60 });

/** Who a hash is made for: lanes take turns, and a browser that is known goes first. */
export interface HashLane {
  readonly key: string;
  readonly isKnown: boolean;
}

/** Who is signed in, a command, a test: no stranger can stand in this lane. */
const OWN: HashLane = { key: '', isKnown: true };

/** Hashes a password; undefined where too many are waiting. */
export const hashWhenFree = (password: string, { key, isKnown }: HashLane): Promise<string | undefined> =>
  hashing.run(key, () => hash(password), isKnown);

/** Hashes a password for a command or a test, where nobody else waits. */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** Whether a password is the one that was hashed; undefined where too many are waiting to know. */
export const verifyPassword = (
  passwordHash: string,
  password: string,
  { key, isKnown }: HashLane = OWN,
): Promise<boolean | undefined> => hashing.run(key, () => verify(passwordHash, password), isKnown);
