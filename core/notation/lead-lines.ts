import type { Block, BlockCue } from '../document/document.ts';
import { countLetters } from '../letters.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS } from '../limits.ts';
import type { NextRead } from './next-routine.ts';
import { nextRoutines, printNextRoutines, readNextRoutines } from './next-routine.ts';
import { formatClock } from '../words/format-clock.ts';

/** What the coach says in a block, or the fault to look out for: has at most so many letters. */
export const MAX_CUE_LENGTH = 120;
/** Cues under one header. */
export const MAX_CUES = 20;

export type LeadLine =
  | { readonly kind: 'cue'; readonly cue: BlockCue; readonly comment: string | undefined }
  | { readonly kind: 'watch'; readonly words: string; readonly comment: string | undefined }
  | NextRead;

const CUE =
  /^\s*cue\s+(?:at\s+(?:(halfway)|(the\s+last\s+)?(\d{1,3}):([0-5]\d))|in\s+round\s+(\d{1,4}))\s*:(?:\s(.*))?$/i;
const WATCH = /^\s*watch\s*:(.*)$/i;

/** Reads `next of A, B`, `Cue at halfway: WORDS`, `Cue at 2:30:`, `Cue at the last 0:30:`, `Cue in round 3:` or `Watch: WORDS`; undefined for any other line. */
export function readLeadLine(text: string): LeadLine | undefined {
  const next = readNextRoutines(text);
  if (next) return next;
  const watch = WATCH.exec(text);
  const cue = watch ? null : CUE.exec(text);
  if (!watch && !cue)
    return /^\s*cue\s[^"“”]*:/i.test(text)
      ? {
          kind: 'fault',
          message:
            'A cue is written “Cue at halfway: words”, “Cue at 2:30: words”, “Cue at the last 0:30: words” or “Cue in round 3: words”.',
        }
      : undefined;
  const [said = '', ...remarks] = (watch ? watch[1]! : (cue![6] ?? '')).split(/(?<=^|\s)#/);
  const words = said.trim().replace(/\s+/g, ' ');
  const comment = remarks.length > 0 ? remarks.join('#').trim() : undefined;
  if (words === '')
    return { kind: 'fault', message: 'Nothing stands after the colon; write what is to be said, or remove the line.' };
  if (countLetters(words) > MAX_CUE_LENGTH)
    return { kind: 'fault', message: `What is said has at most ${MAX_CUE_LENGTH} letters; write it shorter.` };
  if (watch) return { kind: 'watch', words, comment };
  const [, half, last, min, sec, round] = cue!;
  if (half !== undefined) return { kind: 'cue', cue: { at: 'halfway', words }, comment };
  if (round !== undefined) {
    const n = Number(round);
    return n >= 1 && n <= MAX_ROUNDS
      ? { kind: 'cue', cue: { at: 'round', round: n, words }, comment }
      : { kind: 'fault', message: `A round is a number from 1 to ${MAX_ROUNDS}.` };
  }
  const atSec = Number(min) * 60 + Number(sec);
  if (atSec < 1 || atSec > MAX_DURATION_SEC)
    return { kind: 'fault', message: 'A cue comes after 0:01 at the earliest, and within six hours.' };
  return { kind: 'cue', cue: { at: last === undefined ? 'second' : 'last', sec: atSec, words }, comment };
}

function whenOf(cue: BlockCue): string {
  switch (cue.at) {
    case 'halfway':
      return 'at halfway';
    case 'second':
      return `at ${formatClock(cue.sec)}`;
    case 'last':
      return `at the last ${formatClock(cue.sec)}`;
    case 'round':
      return `in round ${cue.round}`;
  }
}

/** The lines under a block's header, before its items. */
export const leadLines = (block: Pick<Block, 'film' | 'cues' | 'watch' | 'source'>): string[] => [
  ...(block.film === undefined ? [] : [`Film: ${block.film}`]),
  ...(block.cues ?? []).map((cue) => `Cue ${whenOf(cue)}: ${cue.words}`),
  ...(block.watch === undefined ? [] : [`Watch: ${block.watch}`]),
  ...(nextRoutines(block).length === 0 ? [] : [printNextRoutines(nextRoutines(block))]),
];
