import { describe, expect, test } from 'vitest';
import type { Cue } from './cue.ts';
import { fitParts, SEC_PER_WORD, speechSec } from './spoken-parts.ts';
import type { Speaking } from './voice.ts';
import { decideSpeech, isSaid, VOICE_LEVELS } from './voice.ts';

describe('what fits the time', () => {
  const parts = [
    { words: 'Rest', weight: 1 },
    { words: 'Water', weight: 0 },
    { words: 'Next: bridge', weight: 3 },
    { words: 'On your back', weight: 2 },
    { words: 'left side', weight: 2, after: ', ' },
  ] as const;
  test.each([
    [60, 'Rest. Water. Next: bridge. On your back, left side'],
    [9 * SEC_PER_WORD, 'Rest. Water. Next: bridge. On your back, left side'],
    [8 * SEC_PER_WORD, 'Rest. Next: bridge. On your back, left side'],
    [7 * SEC_PER_WORD, 'Next: bridge. On your back, left side'],
    [6 * SEC_PER_WORD, 'Next: bridge. On your back'],
    [3 * SEC_PER_WORD, 'Next: bridge'],
    [0, 'Next: bridge'],
  ])('%d seconds: %s', (roomSec, said) => expect(fitParts(parts, roomSec)).toBe(said));
  test('nothing to say is nothing', () => {
    expect(fitParts([], 5)).toBe('');
    expect(fitParts([{ words: '', weight: 3 }], 0)).toBe('');
    expect(speechSec('')).toBe(0);
    expect(speechSec('30 seconds, half-way')).toBeCloseTo(4 * SEC_PER_WORD);
  });
});

describe('how much is said', () => {
  const CUES: readonly Cue[] = [
    'ready',
    'go',
    'rest',
    'three',
    'two',
    'one',
    'halfway',
    'switch',
    'hold',
    'ten',
    'work-cap',
    'pace',
    'number',
    'coach',
    'finish',
  ];
  test('at each level', () => {
    const at = Object.fromEntries(VOICE_LEVELS.map((level) => [level, CUES.filter((cue) => isSaid(cue, level))]));
    expect(at).toEqual({
      all: CUES,
      changes: ['ready', 'go', 'rest', 'switch', 'hold', 'number', 'finish'],
      numbers: ['three', 'two', 'one', 'ten', 'pace', 'number', 'finish'],
      off: [],
    });
  });
});

describe('calls never pile up', () => {
  const say = (calls: readonly (readonly [number, Cue, string])[]) => {
    let speaking: Speaking | undefined;
    return calls.map(([atMs, cue, words]) => {
      const decision = decideSpeech({ cue, words }, speaking, atMs);
      speaking = decision.speaking;
      return decision.how;
    });
  };
  const LONG = 'Rest. Next: five each side split squat, left side first';
  test('one that matters more breaks off what is said; a count or a late one is dropped; a near one waits', () => {
    expect(
      say([
        [0, 'rest', LONG],
        [1000, 'go', 'squat'],
      ]),
    ).toEqual(['say', 'instead']);
    expect(
      say([
        [0, 'rest', LONG],
        [1000, 'three', 'Three'],
      ]),
    ).toEqual(['say', 'drop']);
    expect(
      say([
        [0, 'rest', LONG],
        [1000, 'halfway', 'Halfway'],
      ]),
    ).toEqual(['say', 'drop']);
    expect(
      say([
        [0, 'rest', 'Rest now'],
        [400, 'coach', 'Breathe'],
      ]),
    ).toEqual(['say', 'say']);
    expect(
      say([
        [0, 'rest', LONG],
        [4000, 'three', 'Three'],
      ]),
    ).toEqual(['say', 'say']);
    expect(
      say([
        [0, 'go', 'squat'],
        [100, 'go', 'lunge'],
      ]),
    ).toEqual(['say', 'say']);
  });
  test('what waits is waited for by the next one', () => {
    // 740 ms, then another 740 ms behind it: at 400 ms the third would wait 1080 ms, at 200 ms 1280 ms.
    expect(
      say([
        [0, 'go', 'one two'],
        [100, 'coach', 'three four'],
        [400, 'halfway', 'Halfway'],
      ])[2],
    ).toBe('say');
    expect(
      say([
        [0, 'go', 'one two'],
        [100, 'coach', 'three four'],
        [200, 'halfway', 'Halfway'],
      ])[2],
    ).toBe('drop');
  });
});
