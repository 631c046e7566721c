/** What became of handing one message to a channel. */
export type Handed =
  | { readonly outcome: 'accepted' }
  /** It may do later; `isAway` where nobody answered at all, rather than putting this one message off. */
  | { readonly outcome: 'later'; readonly reason: string; readonly isAway?: true }
  /** It never will. */
  | { readonly outcome: 'refused'; readonly reason: string };

export interface OutgoingMail {
  readonly messageId: number;
  readonly to: string;
  readonly toName: string;
  readonly fromName: string;
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  /** Ends messages with one click (RFC 8058); absent for what nobody subscribed to. */
  readonly stopLink?: string;
  readonly sentAtMs: number;
}

export interface OutgoingText {
  readonly messageId: number;
  readonly to: string;
  readonly text: string;
}

/** The doors that messages leave by. A door that isn't set up hands nothing on. */
export interface Channels {
  readonly mail: ((mail: OutgoingMail) => Promise<Handed>) | undefined;
  readonly text: ((text: OutgoingText) => Promise<Handed>) | undefined;
  readonly close: () => void;
}
