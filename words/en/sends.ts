import type { GoingState } from '../../core/calendar/going.ts';

/** What will become of a day. */
export const GOING_WORDS: Record<GoingState, string> = {
  out: 'is out',
  goes: 'goes out by itself',
  ahead: 'was sent, and opens then',
  'by-hand': 'waits to be sent by hand',
  'to-read': 'is still to read',
  'not-ready': 'isn’t marked ready',
  unwritten: 'is still to write',
  held: 'is held back',
  withdrawn: 'was withdrawn',
};
