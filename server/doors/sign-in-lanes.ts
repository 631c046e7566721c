/**
 * How sign-in attempts are slowed down: each is counted in the lanes that it goes through, and waits as long as the slowest of
 * them says. Nobody is locked out: a lane only ever makes one wait, and a browser that the coach has signed in from has a lane of
 * its own, which strangers can't fill.
 */
export interface Lane {
  readonly key: string;
  /** Attempts in the window that don't wait. */
  readonly free: number;
  /** Longest wait, in milliseconds. */
  readonly mostMs: number;
  /** Attempts that may be waiting or looked at at once; more are asked to come back. */
  readonly atOnce: number;
}

/** Attempts older than this are forgotten. */
export const WINDOW_MS = 15 * 60 * 1000;
const FIRST_WAIT_MS = 500;

/** Attempts of strangers that are looked at at once, from wherever: what is left of the process is for those who are known. */
const STRANGERS_AT_ONCE = 60;

/** The lanes of an attempt. `account` is the cleaned address that was typed, `device` a token of a browser known for it. */
export function lanesOf(account: string, networkAddress: string, device: string | undefined): Lane[] {
  if (device !== undefined) return [{ key: `device:${device}`, free: 8, mostMs: 20_000, atOnce: 2 }];
  return [
    { key: `pair:${account}|${networkAddress}`, free: 5, mostMs: 20_000, atOnce: 2 },
    { key: `address:${networkAddress}`, free: 40, mostMs: 20_000, atOnce: 10 },
    // From anywhere: kept short, so that the owner on a new browser waits seconds while others try.
    { key: `account:${account}`, free: 20, mostMs: 4_000, atOnce: 12 },
    { key: 'strangers', free: Infinity, mostMs: 0, atOnce: STRANGERS_AT_ONCE },
  ];
}

/** How long the nth attempt in a lane's window waits: nothing at first, then half a second, doubling up to the lane's most. */
export function laneWaitMs({ free, mostMs }: Pick<Lane, 'free' | 'mostMs'>, attempts: number): number {
  return attempts <= free ? 0 : Math.min(mostMs, FIRST_WAIT_MS * 2 ** Math.min(30, attempts - free - 1));
}
