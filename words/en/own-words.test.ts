import { expect, test } from 'vitest';
import type { DoubtFacts } from '../../core/notation/own-words/piece.ts';
import { PIECE_KINDS } from '../../core/notation/own-words/piece.ts';
import { doubtChoices, doubtWords, PIECE_WORDS, readWords } from './own-words.ts';

const DOUBTS: readonly DoubtFacts[] = [
  { code: 'unread' },
  { code: 'new-movement', name: 'wobble', near: ['wall sit'] },
  { code: 'tempo-or-rounds', numbers: [4, 1, 2] },
  { code: 'no-length', lengthsSec: [600, 480] },
  { code: 'all-or-one', slotSec: 180 },
  { code: 'no-items' },
  { code: 'too-much' },
];

test('each doubt says what was taken, and its first choice is that', () => {
  expect(DOUBTS.map((facts) => [doubtWords(facts, 'these words'), ...doubtChoices(facts)])).toMatchInlineSnapshot(`
    [
      [
        "“these words” is kept as words: nothing in it could be read.",
        "kept as a note",
      ],
      [
        "“wobble” is no movement that is known here; it is taken as written.",
        "wobble",
        "wall sit",
      ],
      [
        "“these words” is taken as a tempo: 4 s down, 1 s pause, 2 s up.",
        "a tempo: 4 s down, 1 s pause, 2 s up",
        "4, 1 and 2 by round",
      ],
      [
        "“these words” doesn’t say how long; 10:00 was taken.",
        "10:00",
        "8:00",
      ],
      [
        "“these words” is taken as the whole list every 3:00.",
        "the whole list every 3:00",
        "one movement every 3:00, in turn",
      ],
      [
        "Nothing stands under “these words”; it is kept as words.",
        "kept as a note",
      ],
      [
        "“these words” is more than one session holds; it is kept as words.",
        "kept as a note",
      ],
    ]
  `);
});

test('how much was read is said in a few words; every kind of piece has some', () => {
  const piece = (as: 'note' | 'unread') => ({ start: 0, end: 1, as, line: null });
  expect(readWords([piece('note')], 0)).toBe('Every letter has become something; nothing is asked.');
  expect(readWords([piece('note')], 2)).toBe('Every letter has become something; 2 things are asked.');
  expect(readWords([piece('unread')], 1)).toBe('One thing is asked.');
  for (const kind of PIECE_KINDS) expect(PIECE_WORDS[kind]).not.toBe('');
});
