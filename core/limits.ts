/** What one session may say at most; once for reading, cards, levers and proposals alike. */

/** Largest duration that one clause or dose may name, and that a session may be: six hours. */
export const MAX_DURATION_SEC = 6 * 3600;
/** Largest number of repetitions, metres or kilocalories that one dose may name. */
export const MAX_AMOUNT = 10_000;
/** Largest number of rounds, windows or numbers in one list. */
export const MAX_ROUNDS = 100;
/** Largest number of slots or intervals of one block. */
export const MAX_SLOTS = 1000;
export const MAX_SETS = 20;
/** The largest team of a relay, and what a team is where nothing is said. */
export const MAX_TEAM = 50;
export const DEFAULT_TEAM = 2;
/** The most partners that take turns. */
export const MAX_PARTNERS = 6;
/** How many a session may be led for. */
export const MAX_GROUP = 1000;
/** Seconds assumed of a rest that stands in a list without its length. */
export const BARE_REST_SEC = 30;
/** The largest weight of one piece, and the largest share of one's best. */
export const MAX_KG = 500;
export const MAX_SHARE_PCT = 150;

/** Letters of a letter to a run's people, and of its subject. */
export const LETTER_LIMITS = { subject: 120, words: 4000 } as const;

/** Weeks back and ahead in which a movement counts as in use. */
export const USAGE_WEEKS = 4;

/** Letters of a name: a movement’s, a label’s, a routine’s, a piece of kit’s. */
export const MAX_NAME_LENGTH = 80;
