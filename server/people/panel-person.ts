import type { PersonProfile } from '../../db/queries/person.ts';

/** Someone as their panel shows them. */
export interface PanelPerson {
  readonly enrolmentId: number;
  readonly name: string;
  readonly detail: string;
  readonly timeZone: string;
  readonly profile: PersonProfile;
  readonly absences: readonly { readonly id: number; readonly kind: 'pause' | 'excused'; readonly words: string }[];
  /** Their own day 1, in words, where they don't go by the run's. */
  readonly ownStart: string | null;
  readonly hasLeft: boolean;
  /** Sessions that they have logged, in all their runs. */
  readonly logged: number;
  /** Back from a long pause: so many days. */
  readonly backAfter: number | null;
  /** A lighter way back in goes on until then, in words. */
  readonly easedUntil: string | null;
  readonly today: string;
  /** As they are written: `push-up -> wall push-up`. */
  readonly swapWords: string;
}

/** Someone of a live session, as they are ticked off. */
export interface RollPerson {
  readonly id: number;
  readonly name: string;
  readonly answer: 'yes' | 'no' | null;
  readonly came: boolean;
}

/** A link that has just been made, and is shown this once. */
export interface MadeLink {
  readonly name: string;
  readonly path: string;
}
