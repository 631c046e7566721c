import type { Cue } from './cue.ts';
import { speechSec } from './spoken-parts.ts';

/**
 * How much a voice says: everything; where something begins, ends or changes; counts and numbers alone; nothing (tones are heard all
 * the same).
 */
export const VOICE_LEVELS = ['all', 'changes', 'numbers', 'off'] as const;
export type VoiceLevel = (typeof VOICE_LEVELS)[number];

/** What a call weighs against one that is being said, and whether it is a change, a number, or neither. */
const CALLS: Record<Cue, { readonly importance: number; readonly is: 'change' | 'number' | 'help' }> = {
  finish: { importance: 5, is: 'change' },
  go: { importance: 5, is: 'change' },
  switch: { importance: 5, is: 'change' },
  hold: { importance: 5, is: 'change' },
  rest: { importance: 4, is: 'change' },
  number: { importance: 4, is: 'number' },
  coach: { importance: 3, is: 'help' },
  ready: { importance: 3, is: 'change' },
  three: { importance: 2, is: 'number' },
  two: { importance: 2, is: 'number' },
  one: { importance: 2, is: 'number' },
  pace: { importance: 2, is: 'number' },
  'work-cap': { importance: 2, is: 'help' },
  ten: { importance: 1, is: 'number' },
  halfway: { importance: 1, is: 'help' },
  // Counted only where that is wished.
  tempo: { importance: 1, is: 'help' },
};

/** Whether a voice says a call at a level; a new number is a change as well. */
export function isSaid(cue: Cue, level: VoiceLevel): boolean {
  const { is } = CALLS[cue];
  switch (level) {
    case 'all':
      return true;
    case 'changes':
      return is === 'change' || cue === 'number';
    case 'numbers':
      return is === 'number' || cue === 'finish';
    case 'off':
      return false;
  }
}

/** What is being said: how much it weighs, and until when, on any clock in ms. */
export interface Speaking {
  readonly importance: number;
  readonly untilMs: number;
}

/** So long a call may wait for another to end and still be understood at its place. */
const MOST_WAIT_MS = 1200;

export interface SpeechDecision {
  /** `say`: after what is being said; `instead`: it is broken off for this one; `drop`: it comes too late to be said. */
  readonly how: 'say' | 'instead' | 'drop';
  /** What is being said from here on. */
  readonly speaking: Speaking | undefined;
}

/**
 * Whether a call is said now, where another may still be spoken: one that matters more breaks it off, one that matters as much or less
 * waits a moment, counts never wait. So calls never pile up.
 */
export function decideSpeech(
  { cue, words }: { readonly cue: Cue; readonly words: string },
  speaking: Speaking | undefined,
  nowMs: number,
): SpeechDecision {
  const { importance } = CALLS[cue];
  const lengthMs = speechSec(words) * 1000;
  const waitMs = speaking ? speaking.untilMs - nowMs : 0;
  if (waitMs <= 0) return { how: 'say', speaking: { importance, untilMs: nowMs + lengthMs } };
  if (importance > speaking!.importance) return { how: 'instead', speaking: { importance, untilMs: nowMs + lengthMs } };
  const isCount = cue === 'three' || cue === 'two' || cue === 'one' || cue === 'tempo';
  if (isCount || waitMs > MOST_WAIT_MS) return { how: 'drop', speaking };
  return { how: 'say', speaking: { importance, untilMs: speaking!.untilMs + lengthMs } };
}
