import type { KeyWords } from '../../parts/keys-help.tsx';

export const PLAN_KEYS: KeyWords = [
  ['Arrow keys', 'from day to day, and from week to week'],
  ['Enter', 'open the day in Write'],
  ['M', 'take the session up; arrow keys, then Enter to put it down'],
  ['N', 'a session to write on this day'],
  ['Delete', 'remove the session'],
  ['T', 'make its session a track'],
  ['P', 'keep the session as it is, or let it follow its track again'],
  ['S', 'move all days from this one on'],
  ['R', 'place it as a retest'],
  ['C, then V', 'copy this week, put it on another'],
  ['A', 'arrange this week'],
  ['D', 'compare two weeks'],
  ['L', 'a lighter week before this one'],
  ['Up and down on a point of what changes', 'more and less; left and right to the next week'],
  ['Enter on Apply, Escape', 'carry out what is proposed, or discard it'],
  ['Ctrl Z, Ctrl Shift Z', 'take the last change back, and bring it again'],
  ['?', 'these keys'],
];
