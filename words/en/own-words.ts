import type { DoubtFacts, Piece, PieceKind } from '../../core/notation/own-words/piece.ts';
import { formatClock } from '../../core/words/format-clock.ts';

/** What a stretch of a pasted plan became. */
export const PIECE_WORDS: Readonly<Record<PieceKind, string>> = {
  title: 'the title',
  day: 'a day',
  length: 'how long it is to last',
  kit: 'kit',
  group: 'the group',
  role: 'a part of the session',
  clock: 'the clock',
  rounds: 'how often',
  count: 'how many, by round or set',
  movement: 'a movement',
  side: 'how sides are counted',
  dose: 'how much',
  tempo: 'the tempo',
  load: 'the load',
  rest: 'rest',
  option: 'another movement to choose',
  note: 'words that are kept',
  unread: 'words with a number that was read as nothing',
};

/** What is asked of a stretch of a pasted plan, in a sentence. */
export function doubtWords(facts: DoubtFacts, said: string): string {
  switch (facts.code) {
    case 'unread':
      return `“${said}” is kept as words: nothing in it could be read.`;
    case 'new-movement':
      return `“${facts.name}” is no movement that is known here; it is taken as written.`;
    case 'tempo-or-rounds': {
      const [down, pause, up] = facts.numbers;
      return `“${said}” is taken as a tempo: ${down} s down, ${pause} s pause, ${up} s up.`;
    }
    case 'no-length':
      return `“${said}” doesn’t say how long; ${formatClock(facts.lengthsSec[0]!)} was taken.`;
    case 'all-or-one':
      return `“${said}” is taken as the whole list every ${formatClock(facts.slotSec)}.`;
    case 'no-items':
      return `Nothing stands under “${said}”; it is kept as words.`;
    case 'too-much':
      return `“${said}” is more than one session holds; it is kept as words.`;
  }
}

/** What a doubt could be, the way it was taken first. */
export function doubtChoices(facts: DoubtFacts): string[] {
  switch (facts.code) {
    case 'tempo-or-rounds': {
      const [down, pause, up] = facts.numbers;
      return [`a tempo: ${down} s down, ${pause} s pause, ${up} s up`, `${down}, ${pause} and ${up} by round`];
    }
    case 'new-movement':
      return [facts.name, ...facts.near];
    case 'no-length':
      return facts.lengthsSec.map(formatClock);
    case 'all-or-one':
      return [
        `the whole list every ${formatClock(facts.slotSec)}`,
        `one movement every ${formatClock(facts.slotSec)}, in turn`,
      ];
    case 'unread':
    case 'no-items':
    case 'too-much':
      return ['kept as a note'];
  }
}

/** How much of a plan was read, in a few words: `every letter has become something; two things are asked`. */
export function readWords(pieces: readonly Piece[], doubts: number): string {
  const unread = pieces.filter((p) => p.as === 'unread').length;
  const asked = doubts === 0 ? 'nothing is asked' : doubts === 1 ? 'one thing is asked' : `${doubts} things are asked`;
  return unread === 0 ? `Every letter has become something; ${asked}.` : `${asked[0]!.toUpperCase()}${asked.slice(1)}.`;
}
