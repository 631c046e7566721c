import type { ChannelId } from '../../core/channels/channels.ts';
import type { WrittenMessage } from '../../core/messages/message-facts.ts';

/** What became of handing one message to a channel. */
export type Handed =
  | { readonly outcome: 'accepted' }
  /** It may do later; `isAway` where nobody answered at all, rather than putting this one message off. */
  | { readonly outcome: 'later'; readonly reason: string; readonly isAway?: true }
  /** It never will. */
  | { readonly outcome: 'refused'; readonly reason: string };

/** A message as it leaves; of what was written for it a channel takes what it can carry. */
export interface Outgoing {
  readonly messageId: number;
  readonly to: string;
  readonly toName: string;
  readonly fromName: string;
  readonly written: WrittenMessage;
  /** Ends messages with one click (RFC 8058); absent for what nobody subscribed to. */
  readonly stopLink?: string;
  /** Whom an answer reaches; absent where nobody reads one. */
  readonly replyTo?: { readonly name: string; readonly address: string };
  /** Somebody wrote it by hand for this reader: it isn't made by a machine (RFC 3834). */
  readonly isByHand?: boolean;
  /** The message that it goes back to: a correction or a withdrawal stands under the first one of its day. */
  readonly answersId?: number;
  readonly sentAtMs: number;
}

/** Hands a message on by a channel. */
export type Hand = (message: Outgoing) => Promise<Handed>;

/** The channels as the environment has set them up: one that isn't hands nothing on. */
export interface Channels {
  readonly hand: Readonly<Record<ChannelId, Hand | undefined>>;
  readonly close: () => void;
}

/** What is missing where a channel isn't set up. A new channel doesn't compile without it. */
export const MISSING: Readonly<Record<ChannelId, string>> = {
  email: 'no mail server is set up (SMTP_URL)',
  text: 'no text service is set up (TEXT_URL)',
};
