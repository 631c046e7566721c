/** What a message tells. */
export type MessageKind =
  | 'session'
  | 'change'
  | 'withdrawn'
  | 'rest'
  | 'reminder'
  | 'live'
  | 'confirm'
  | 'flag'
  | 'reset'
  | 'invite'
  | 'address'
  | 'told'
  | 'test'
  | 'note'
  | 'letter';

/** How far a message has got; the last four are ends. */
export type MessageState = 'waiting' | 'sending' | 'accepted' | 'bounced' | 'refused' | 'gave-up' | 'dropped';
export const MESSAGE_STATES: readonly MessageState[] = [
  'waiting',
  'sending',
  'accepted',
  'bounced',
  'refused',
  'gave-up',
  'dropped',
];
