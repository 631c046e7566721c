import { describe, expect, test } from 'vitest';
import { likelyCalls } from '../clock/voice/likely-calls.ts';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { parseStrictly } from './parse.ts';
import { printSession } from './print.ts';
import { readLeadLine } from './lead-lines.ts';

const issuesOf = (text: string) => parseStrictly(text, baseLibrary).issues.map((i) => [i.line, i.message]);

describe('lines under a header', () => {
  test('are read, printed and read again', () => {
    const text = `Main: amrap 9:00, pace 12 a minute
Cue at halfway: breathe out
Cue at 2:30: halve the depth
Cue at the last 0:30: all you have
Cue in round 3: smile
Watch: knees falling in
10 squat, at least 8, cue "sit back", watch "heels up"
`;
    const { document, issues } = parseStrictly(text, baseLibrary);
    expect(issues).toEqual([]);
    expect(document.blocks[0]).toMatchObject({
      pacePerMin: 12,
      watch: 'knees falling in',
      cues: [
        { at: 'halfway', words: 'breathe out' },
        { at: 'second', sec: 150, words: 'halve the depth' },
        { at: 'last', sec: 30, words: 'all you have' },
        { at: 'round', round: 3, words: 'smile' },
      ],
      items: [{ atLeast: 8, cue: 'sit back', watch: 'heels up' }],
    });
    expect(printSession(document, baseLibrary)).toBe(text);
  });

  test('a remark behind one goes on to what follows', () => {
    expect(readLeadLine('Watch: knees # only mine')).toEqual({ kind: 'watch', words: 'knees', comment: 'only mine' });
  });

  test.each([
    ['Cue at halfway: x', 1, 'under a block’s header'],
    ['Main: flow\n5 squat\nWatch: knees', 3, 'under a block’s header'],
    ['Main: flow\nWatch: a\nWatch: b\n5 squat', 3, 'a second time'],
    ['Main: flow\nWatch:\n5 squat', 2, 'Nothing stands after the colon'],
    ['Main: flow\nCue at noon: x\n5 squat', 2, 'A cue is written'],
    ['Main: flow\nCue at 0:00: x\n5 squat', 2, 'at the earliest'],
    [`Main: flow\nWatch: ${'x'.repeat(121)}\n5 squat`, 2, 'at most 120 letters'],
    [`Main: flow\n${'Cue at halfway: x\n'.repeat(21)}5 squat`, 22, 'at most 20 cues'],
    ['Main: flow\n5 squat, cue ""', 2, 'empty'],
    ['Main: flow, pace 12\n5 squat', 1, 'pace 12 a minute'],
  ])('%j is refused where it stands', (text, line, message) => {
    expect(issuesOf(text)).toEqual([[line, expect.stringContaining(message)]]);
  });
});

test('what the coach wrote is said at its time', () => {
  const { plan, blocks } = analyseText(
    `Main: work 0:40 rest 0:20, 2 rounds
Cue at halfway: breathe
Cue in round 2: smile
Watch: knees
squat, cue "sit back", watch "heels"
`,
    baseLibrary,
  );
  const said = likelyCalls(plan, blocks, baseLibrary).filter((c) => /breathe|smile|knees|sit back|heels/.test(c.say));
  expect(said.map((c) => `${c.at} ${c.say}`)).toEqual([
    '5 squat. sit back. Watch: heels. Watch: knees',
    '65 Last round. squat. sit back. breathe. smile',
  ]);
});

test('a stated pace is called each minute', () => {
  const { plan, blocks } = analyseText('Main: amrap 3:00, pace 12 a minute\nmax squat\n', baseLibrary);
  const pace = likelyCalls(plan, blocks, baseLibrary).filter((c) => c.kind === 'pace');
  expect(pace.map((c) => [c.at, c.say])).toEqual([
    [65, '12 by now'],
    [125, '24 by now'],
  ]);
});
