/** Every limit on what may come in, once and by name. Sizes in bytes, counts for one hour. */

const KB = 1_000;

/** Most bytes that a request's body may have, by what it is for. */
export const BODY_BYTES = {
  /** A form that a person fills in. */
  form: 64 * KB,
  /** A routine's text, every character of it percent-encoded. */
  routine: 200 * KB,
  /** A session's text as JSON or as a form's field: 200 kB of it, escaped. */
  text: 700 * KB,
  /** A roster: 200 kB, escaped. */
  roster: 700 * KB,
  /** A whole programme, or edits that carry one. */
  programme: 2_500 * KB,
} as const;

/** Above this nothing is read for anybody, whatever it is for. */
export const LARGEST_BODY_BYTES = BODY_BYTES.programme;

export interface HourQuota {
  readonly writes: number;
  readonly bytes: number;
}

/** What may be stored in one hour by one personal link, one coach, one workspace. */
export const HOUR_QUOTA = {
  /** A session logged and corrected many times over, and the profile beside it. */
  link: { writes: 120, bytes: 500 * KB },
  /** Drafts are saved as they are typed, up to one a second. */
  coach: { writes: 4_000, bytes: 60_000 * KB },
  workspace: { writes: 20_000, bytes: 200_000 * KB },
} as const satisfies Record<string, HourQuota>;

/** Costly things that may be read in one hour: papers, copies, exports, calendars. */
export const HOUR_READS = { link: 240, coach: 1_200, workspace: 12_000 } as const;

/** Costly reads under way in this process: in all, for one link or coach, and those that may wait for their turn. */
export const COSTLY_READS = { atOnce: 3, atOnceOfLane: 1, mostOfLane: 12, most: 150 } as const;

/** Live lines that are open at once in this process: of one coach, of one workspace, in all. */
export const LIVE_LINES = { coach: 6, workspace: 40, inAll: 200 } as const;

/** PDFs: threads that make them, what may wait for one, how long one may take, and what is kept of those made. */
export const PDF = { threads: 1, waiting: 60, patienceMs: 15_000, keptBytes: 32_000 * KB } as const;

/** Letters of what was typed that come back on a page about it. */
export const ECHO_LETTERS = 200;

/** Bodies that are on their way at once: from one network, and in all. */
export const MAX_UNFINISHED = { ofOne: 60, inAll: 250 } as const;

/** A body that comes more slowly than that, on the average, after its first seconds, is cut off. */
export const SLOWEST_BODY = { bytesPerSec: 200, graceMs: 5_000 } as const;

/** Requests that are being answered at once; more are asked to come back. */
export const MAX_IN_FLIGHT = 400;

/** How long slow clients may take, in milliseconds. */
export const PATIENCE_MS = {
  /** From the first byte, or from the connection, to the end of the headers. */
  headers: 10_000,
  /** To the end of the body. */
  request: 60_000,
  /** Between two requests on one connection. Longer than a proxy in front keeps it. */
  keepAlive: 75_000,
  /** How long a page waits for a save of the same person that is under way. */
  save: 5_000,
  /** How often connections are looked at. */
  look: 2_000,
} as const;
