/** Two clocks of a device, read at once: one that never goes back but may stand still in sleep, and the one of the wall. */
export interface ClockReading {
  readonly runningMs: number;
  readonly wallMs: number;
}

/** Where the steady clock stands, and what it was read from. */
export interface SteadyClock {
  readonly atMs: number;
  readonly read: ClockReading;
}

/** The wall running ahead of the other clock by more than this is sleep, or somebody who set it. */
const SLEEP_FROM_MS = 1500;
/** Longer than this nobody sleeps in the middle of a session: the wall was set. */
const MOST_SLEEP_MS = 3 * 3600 * 1000;

export const startSteady = (read: ClockReading): SteadyClock => ({ atMs: 0, read });

/**
 * The clock at a new reading: on by what the running clock says, and by what a sleep took of it as the wall tells. It never goes back,
 * and a wall that is set back, or ahead by hours, doesn't move it.
 */
export function advanceSteady(clock: SteadyClock, read: ClockReading): SteadyClock {
  const ranMs = Math.max(0, read.runningMs - clock.read.runningMs);
  const sleptMs = read.wallMs - clock.read.wallMs - ranMs;
  const isSleep = sleptMs > SLEEP_FROM_MS && sleptMs < MOST_SLEEP_MS;
  return { atMs: clock.atMs + ranMs + (isSleep ? sleptMs : 0), read };
}
