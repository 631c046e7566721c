/** A way by which messages reach people: what core, pages and forms need to know of it. Handing on is the server's (server/messages). */
export interface Channel<Id extends string = string> {
  readonly id: Id;
  /** The field of forms that its addresses are written in. */
  readonly field: string;
  isAddress(text: string): boolean;
  /** What is said of something that is no address of it. */
  readonly refusal: string;
  /** How one message goes: `by e-mail`. */
  readonly by: string;
  /** How several people are told: `20 by text`. */
  readonly told: string;
  /** What all of them go as: `as e-mail`. */
  readonly as: string;
  /** The outage that is noted where nobody answers who takes its messages; null where none is. */
  readonly outage: 'mail' | null;
}
