import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { sessionTitle } from './session-title.ts';

const titleOf = (text: string) => sessionTitle(parseSession(text, baseLibrary).document);

describe('what a session is called', () => {
  test.each([
    ['Title: Quiet legs\n\nMain: flow\n5 squat\n', 'Quiet legs'],
    ['', ''],
    ['Target: 20 min\n', ''],
    ['Main: every 1:00 for 8:00\n8 squat\n', 'Squat'],
    ['Main: flow\n8 squat\n4 push-up\n', 'Squat and push-up'],
    ['Main: flow\n8 squat\n4 push-up\n0:30 plank\n', 'Squat, push-up and plank'],
    ['Main: flow\n8 squat\n4 push-up\n0:30 plank\n6 lunge\n', 'Squat, push-up and 2 more'],
    ['Main: flow\n8 squat\n0:30 rest\n8 squat\n', 'Squat'],
    ['Main (The ladder): amrap 8:00\n3 squat\n', 'The ladder'],
    ['Warm-up: flow\n6 wrist circle\n\nFinisher: flow\n5 burpee\n\nCool-down: flow\n1:00 child pose\n', 'Burpee'],
    ['Warm-up: flow\n6 wrist circle\n\nCool-down: flow\n1:00 child pose\n', 'Wrist circle'],
    ['Main: routine "Six easy"\n', 'Six easy'],
    ['Main (A): amrap 4:00\n3 squat\n\nMain: same as A\n', 'A'],
    ['Main: flow\n', 'Main'],
    ['Skill: flow\n5 squat or lunge\n\nMain: same as "B"\n', 'B'],
  ])('%j is %j', (text, title) => {
    expect(titleOf(text)).toBe(title);
  });

  test('and it is cut where movements have very long names', () => {
    const title = titleOf(`Main: flow\n5 ${'longish '.repeat(6)}raise\n4 ${'other '.repeat(6)}raise\n`);
    expect([...title].length).toBeLessThanOrEqual(61);
    expect(title).toMatch(/^Longish.*[^ ]…$/);
  });
});
