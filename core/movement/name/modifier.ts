import type { Grade, Joint, Movement, Pattern, Position } from '../movement.ts';

/** What kind of thing a modifier says. In this order the modifiers of a name are taken into account. */
export const FAMILIES = [
  'implement',
  'support',
  'stance',
  'direction',
  'grip',
  'range',
  'rhythm',
  'sides',
  'taken away',
  'empty',
] as const;
export type Family = (typeof FAMILIES)[number];

/** What a modifier changes of its head. What isn't there stays. */
export interface Change {
  /** Added to the kit. */
  readonly kit?: string;
  /** In place of the head's weight, as many as there were; where it had none, added, and it is harder. */
  readonly weight?: string;
  /** How many of the weight there are then. */
  readonly weights?: 1 | 2;
  /** All weights are put away. */
  readonly bare?: boolean;
  readonly pattern?: Pattern;
  readonly position?: Position;
  readonly floor?: boolean;
  readonly overhead?: boolean;
  readonly counted?: 'hold' | 'reps';
  readonly sides?: 'one at a time' | 'both';
  /** Grades more or less, by joint; kept within 0 and 3. */
  readonly more?: Readonly<Partial<Record<Joint, number>>>;
  /** No less than these. */
  readonly least?: Readonly<Partial<Record<Joint, Grade>>>;
  /** No more than this on the joints named. */
  readonly most?: Readonly<Partial<Record<Joint, Grade>>>;
  readonly impact?: Grade;
  readonly noise?: Grade;
  readonly effort?: number;
  /** Times the seconds of a repetition. */
  readonly pace?: number;
  readonly paceSec?: Movement['paceSec'];
}

export interface Modifier {
  readonly id: string;
  readonly family: Family;
  /** How it stands in a read name. */
  readonly name: string;
  /** Behind the head rather than before it. */
  readonly isBehind?: boolean;
  /** All that says it, as a coach may write it; `name` is one of them. */
  readonly words: readonly string[];
  /** How a reading says it: `with dumbbells`. */
  readonly says: string;
  /** Which heads can take it. */
  readonly takes: (head: Movement) => boolean;
  readonly change: (head: Movement) => Change;
  /** True where it makes the movement easier: without it is harder. */
  readonly eases?: boolean;
  /** For one that eases: what it is without it, `hands free`. */
  readonly off?: string;
  /** Ids of easier ones that may stand in its place, nearest first; it may always be left off where it doesn't ease. */
  readonly easier?: readonly string[];
}
