import type { MessageKind, MessageState } from '../../core/channels/message.ts';

/** What kinds of messages are called. */
export const MESSAGE_WORDS: Record<MessageKind, string> = {
  session: 'session',
  change: 'correction',
  withdrawn: 'withdrawal',
  rest: 'rest day',
  reminder: 'reminder',
  live: 'live reminder',
  confirm: 'confirmation',
  flag: 'warning to you',
  reset: 'new password',
  invite: 'invitation',
  address: 'new address of yours',
  told: 'word to you',
  test: 'test to you',
  note: 'your words',
  letter: 'letter',
};
/** How it stands with a message, as the end of a sentence. */
export const SENT_WORDS: Record<MessageState, string> = {
  waiting: 'waits',
  sending: 'is on its way',
  accepted: 'delivered',
  bounced: 'came back',
  refused: 'refused',
  'gave-up': 'given up',
  dropped: 'not sent',
};
