/** What the stand-in keeps of a message, and how it can be told to behave. */
export interface Dials {
  /** It takes no connection at all. */
  down: boolean;
  /** Each message takes so long. */
  delayMs: number;
  /** Of a hundred messages so many are put off (451, 503). */
  putOffPct: number;
  /** Of a hundred messages so many are refused for good (550, 400). */
  refusePct: number;
  /** Of a hundred mails so many are taken and come back as delivery reports. */
  bouncePct: number;
  /** Addresses with this in them always come back. */
  bounceWord: string;
}

export const CALM: Readonly<Dials> = {
  down: false,
  delayMs: 0,
  putOffPct: 0,
  refusePct: 0,
  bouncePct: 0,
  bounceWord: 'gone',
};

export interface KeptMessage {
  readonly no: number;
  readonly kind: 'mail' | 'text';
  readonly at: string;
  readonly to: string;
  readonly from: string;
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  /** The message's own id: a second copy has the same. */
  readonly id: string;
  /** How often it came. */
  copies: number;
  readonly raw: string;
}
