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

/** An hour of the timeline, counted from now. */
export const tickWords = (hours: number): string => (hours === 0 ? 'now' : `+${hours} h`);

/** What the timeline shows, said once below it. */
export const TIMELINE_WORDS =
  'Hours from now. Shaded: night there, from 22:00 to 06:00. A hollow mark needs you; a full one is out, or goes by itself.';
