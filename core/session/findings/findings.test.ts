import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { arbitraryDocument } from '../../notation/arbitrary-document.ts';
import { applyEdits } from '../../notation/apply-edits.ts';
import { printSession } from '../../notation/print.ts';
import { commonStep, fitSlots } from '../../forms/slot-fit.ts';
import { analyseText, isSendable } from '../analyse.ts';
import type { FindingCode } from './finding.ts';
import { readRoutines } from '../read-routines.ts';
import { freezeRoutines } from '../resolve.ts';

const analyse = (text: string) => analyseText(text, baseLibrary);
const found = (text: string, code: FindingCode) => analyse(text).findings.filter((f) => f.code === code);
const take = (text: string, code: FindingCode, change = 0) =>
  applyEdits(text, found(text, code)[0]!.changes[change]!.edits, baseLibrary);

/** A text with the finding, its line, and what the first change makes of it. */
const CASES: readonly [FindingCode, text: string, line: number | null, mended: string | undefined][] = [
  ['new-movement', 'Main: flow\n10 burpe', 2, 'Main: flow\n10 burpee\n'],
  ['new-movement', 'Main: flow\n10 lunje', 2, 'Main: flow\n10 forward lunge\n'],
  ['one-sided', 'Main: 3 rounds\n10 split squat', 2, 'Main: 3 rounds\n10/side split squat\n'],
  ['one-sided', 'Main: work 0:40 rest 0:20\nside plank', 2, 'Main: work 0:40 rest 0:20\neach side side plank\n'],
  [
    'one-sided',
    'Main: 3 rounds\n8 left split squat  # bad knee\n5 march',
    2,
    'Main: 3 rounds\n8 left split squat  # bad knee\n8 right split squat\n5 march\n',
  ],
  ['overfull-slot', 'Main: every 1:00 x 8\n12 burpee', 2, 'Main: every 1:00 x 8\n10 burpee\n'],
  ['overfull-slot', 'Main: every 1:00 x 4\n0:30/side side plank', 2, 'Main: every 1:00 x 4\n0:25/side side plank\n'],
  [
    'over-target',
    'Target: 20 min\nMain: every 1:00 x 28\n8 squat\n8 march\n8 push-up\n8 sit-up',
    1,
    'Target: 20 min\nMain: every 1:00 for 20:00\n8 squat\n8 march\n8 push-up\n8 sit-up\n',
  ],
  [
    'under-target',
    'Target: 20 min\nMain: amrap 12:00\n8 squat\n8 march',
    1,
    'Target: 20 min\nMain: amrap 20:00\n8 squat\n8 march\n',
  ],
  [
    'kit-missing',
    'Kit: band\nMain: flow\n8 band row\n5 chair squat',
    1,
    'Kit: band, chair\nMain: flow\n8 band row\n5 chair squat\n',
  ],
  [
    'kit-unused',
    'Kit: 3 bottles, band  # heavy\nMain: flow\n8 band row',
    1,
    'Kit: band  # heavy\nMain: flow\n8 band row\n',
  ],
  ['kit-unused', 'Kit: bottle\nMain: flow\n8 squat', 1, 'Kit: none\nMain: flow\n8 squat\n'],
  ['no-cool-down', 'Warm-up: flow\n8 march\nMain: amrap 10:00\n8 bottle press\n8 push-up', null, undefined],
  [
    'wrists-unprepared',
    'Warm-up: flow\n8 march\nMain: 4 rounds\n10 push-up',
    4,
    'Warm-up: flow\n6 wrist circle\n8 march\nMain: 4 rounds\n10 push-up\n',
  ],
  [
    'same-area-in-a-row',
    'Main: 3 rounds\n8 squat\n8 split squat, half each side\n8 push-up\n8 plank',
    3,
    'Main: 3 rounds\n8 squat\n8 push-up\n8 split squat, half each side\n8 plank\n',
  ],
  ['impact-after-fatigue', 'Main: amrap 22:00\n8 squat\n8 push-up\nFinisher: 3 rounds\n10 squat jump', 5, undefined],
  ['score-unclear', 'Main: amrap 8:00\nsquat\n8 march', 2, 'Main: amrap 8:00\n10 squat\n8 march\n'],
  [
    'score-unclear',
    'Main: windows 2:00 x 4\nmax push-up\n10 squat',
    2,
    'Main: windows 2:00 x 4\n10 squat\nmax push-up\n',
  ],
  ['score-unclear', 'Main: for time\nmax push-up\n10 squat', 2, undefined],
  ['rest-odd', 'Main: work 0:20 rest 0:40, 3 rounds\nsquat', 1, undefined],
  ['rest-odd', 'Main: work 1:00, 3 rounds\nsquat\nmarch', 1, 'Main: work 1:00 rest 0:20, 3 rounds\nsquat\nmarch\n'],
  [
    'change-over-tight',
    'Main: work 0:40, 3 rounds\nplank\nsquat',
    2,
    'Main: work 0:40 rest 0:10, 3 rounds\nplank\nsquat\n',
  ],
  [
    'long-without-water',
    'Main: amrap 12:00\n8 squat\n8 march\nFinisher: amrap 10:00\n8 push-up',
    1,
    'Main: amrap 12:00, then rest 1:00\n8 squat\n8 march\nFinisher: amrap 10:00\n8 push-up\n',
  ],
  ['natural-words', 'Main: flow\n8 lunges, each leg', 2, 'Main: flow\n8/side forward lunge\n'],
  [
    'natural-words',
    'Main: 30 sec on, 15 off, four rounds\n8 squat',
    1,
    'Main: work 0:30 rest 0:15, 4 rounds\n8 squat\n',
  ],
  ['natural-words', 'Main: flow\n10 squats, then 5 push-ups  # ha', 2, 'Main: flow\n10 squat  # ha\n5 push-up\n'],
  ['unknown-routine', 'Warm-up: routine "slow start"\nMain: flow\n8 squat', 1, undefined],
];

describe('each finding names its line, and its change mends it', () => {
  test.each(CASES)('%s in %j', (code, text, line, mended) => {
    const [finding] = found(text, code);
    expect(finding).toMatchObject({ code, line });
    if (mended === undefined) return;
    expect(take(text, code)).toBe(mended);
    expect(found(mended, code)).toEqual([]);
  });

  test('every code has a case', () => {
    expect(new Set(['no-warm-up', ...CASES.map(([code]) => code)]).size).toBe(18);
  });
});

describe('what is as usual is left alone', () => {
  const calm = `Title: Calm
Target: 36 min
Kit: bottle, chair, mat

Warm-up: 2 rounds
6 wrist circle
4/side kneeling hip opener
5 chair squat, tempo 4-1-2

Main (Four in turn): every 1:15 for 30:00, work cap 1:00
8 suitcase deadlift to row
10 bottle press
14 alt slow step-back lunge
0:40 wall sit or chair sit hold

Cool-down: flow
0:45/side doorway chest stretch
`;
  test('a session that holds together has no findings', () => {
    expect(analyse(calm).findings).toEqual([]);
  });
  test.each([
    ['one-sided', 'Main: 3 rounds\n8 left split squat\n8 right split squat'],
    ['one-sided', 'Main: 3 rounds\n9 split squat, half each side'],
    ['kit-missing', 'Main: flow\n8 band row'],
    ['kit-missing', 'Kit: two dumbbells\nMain: flow\n8 bottle press'],
    ['kit-unused', 'Kit: chair\nMain: flow\n8 wall push-up or chair push-up'],
    ['rest-odd', 'Main: work 0:45 rest 0:15\nsquat'],
    ['rest-odd', 'Main: work 0:30 rest 0:30\nsquat'],
    ['over-target', 'Target: 10 min\nMain: amrap 11:00\n8 squat'],
    ['no-warm-up', 'Main: amrap 6:00\n8 squat'],
    ['score-unclear', 'Main: amrap 5:00\nmax push-up'],
    ['score-unclear', 'Main: for time, reps 21-15-9\nsquat\npush-up'],
    ['wrists-unprepared', 'Main: flow\n10 push-up'],
    ['long-without-water', 'Main: amrap 12:00, then rest 1:00\n8 squat\nMain: amrap 12:00\n8 march'],
    ['change-over-tight', 'Main: work 0:40 rest 0:10\nplank\nsquat'],
    ['overfull-slot', 'Main: every 1:00 x 4\nmax burpee'],
  ] as const)('%s: not in %j', (code, text) => {
    expect(found(text, code)).toEqual([]);
  });
  test('an empty session has none', () => {
    expect(analyse('').findings).toEqual([]);
  });
});

describe('a warm-up and a cool-down that fit the main work', () => {
  const text = 'Main: amrap 12:00\n8 burpee\n8 push-up\n';
  test('wrists first where they will be leant on, then what is worked', () => {
    expect(take(text, 'no-warm-up')).toBe(
      'Warm-up: 2 rounds\n8 wrist circle\n8/side ankle rock\n8 march\n8 arm circle\n8 wall push-up\n\nMain: amrap 12:00\n8 burpee\n8 push-up\n',
    );
    expect(take(text, 'no-cool-down')).toBe(
      'Main: amrap 12:00\n8 burpee\n8 push-up\n\nCool-down: flow\n0:30/side calf stretch\n0:30/side doorway chest stretch\n',
    );
  });
});

describe('what a slot holds (docs/formulas.md 1, common practice, no source)', () => {
  const block = (text: string) => analyse(text).document.blocks[0]!;
  test('work should be over by 50 s of a minute; a work cap says otherwise', () => {
    expect(fitSlots(block('Main: every 1:00 x 4\n10 burpee'), baseLibrary)).toMatchObject([
      { capSec: 50, status: 'fits', largestCount: 10, needSec: { low: 40, likely: 50, high: 65 } },
    ]);
    expect(fitSlots(block('Main: every 1:00 x 4, work cap 0:45\n10 burpee'), baseLibrary)).toMatchObject([
      { capSec: 45, status: 'tight', largestCount: 9 },
    ]);
    expect(fitSlots(block('Main: every 1:00 x 4\n13 burpee'), baseLibrary)).toMatchObject([
      { status: 'overfull', largestCount: 10 },
    ]);
  });
  test('10/12/14/16 of a movement at 3.3 s become 8/10/12/14 where the last takes 53 s: two off every station', () => {
    const stations = block('Main: every 1:00 x 8, work cap 0:47\n10 sit-up\n12 sit-up\n14 sit-up\n16 sit-up');
    expect(fitSlots(stations, baseLibrary).map((f) => f.status)).toEqual(['fits', 'fits', 'fits', 'tight']);
    expect(commonStep(stations, baseLibrary)).toBe(2);
    expect(
      take('Main: every 1:00 x 8, work cap 0:47\n10 sit-up\n12 sit-up\n14 sit-up\n16 sit-up', 'overfull-slot', 1),
    ).toContain('8 sit-up\n10 sit-up\n12 sit-up\n14 sit-up');
  });
  test('a count that grows is named by the round in which it no longer fits', () => {
    expect(fitSlots(block('Main: every 1:00 x 12\n5+1 burpee'), baseLibrary)).toMatchObject([
      { firstRound: 7, status: 'overfull', largestCount: undefined },
    ]);
  });
  test('other forms have no slots', () => {
    expect(fitSlots(block('Main: 3 rounds\n99 burpee'), baseLibrary)).toEqual([]);
    expect(commonStep(block('Main: every 1:00 x 4\n5 burpee'), baseLibrary)).toBe(0);
  });
});

test('whatever is written, every change that is offered gives a text that still reads', () => {
  fc.assert(
    fc.property(arbitraryDocument, (document) => {
      const text = printSession(document, baseLibrary);
      for (const finding of analyse(text).findings) {
        for (const change of finding.changes) {
          const next = applyEdits(text, change.edits, baseLibrary);
          expect({ change, next, issues: analyse(next).issues }).toEqual({ change, next, issues: [] });
          expect(next).not.toBe(text);
        }
      }
    }),
    { numRuns: 250 },
  );
});

describe('stored routines', () => {
  const routines = readRoutines(
    [
      { name: 'Slow start', text: 'Warm-up: 2 rounds\n6 wrist circle\n8 squat\n' },
      { name: 'broken', text: 'Warm-up: wat' },
    ],
    baseLibrary,
  );
  const text = 'Warm-up: routine "slow start"\nMain: flow\n8 march\n';
  test('are looked up in any case; what can’t be read is left out', () => {
    expect([...routines.keys()]).toEqual(['slow start']);
    const analysis = analyseText(text, baseLibrary, routines);
    expect(analysis.plan.reps).toEqual({ 'wrist-circle': 12, squat: 16, march: 8 });
    expect(isSendable(analysis)).toBe(true);
    expect(isSendable(analyseText(text, baseLibrary))).toBe(false);
  });
  test('are written out when a session is sent, so that a version stays what it was', () => {
    const { document, plan } = analyseText(text, baseLibrary, routines);
    const frozen = freezeRoutines(document, routines);
    expect(frozen.blocks[0]).toMatchObject({
      role: 'Warm-up',
      rounds: { low: 2, high: 2 },
      items: [{ choices: [{ name: 'wrist circle' }] }, {}],
    });
    expect(analyseText(printSession(frozen, baseLibrary), baseLibrary).plan.reps).toEqual(plan.reps);
  });
});

describe('kit that is counted', () => {
  const kit = (announced: string) =>
    analyseText(`Kit: ${announced}\n\nMain: flow\n10 dumbbell thrusters\n10 KB swings`, baseLibrary)
      .findings.filter((f) => f.code.startsWith('kit'))
      .map((f) => [f.code, f.changes[0]?.does]);
  test('is enough where no number is said, or enough is', () => {
    expect(kit('dumbbells, kettlebell')).toEqual([]);
    expect(kit('2 dumbbells, a kettlebell')).toEqual([]);
    expect(kit('pair of dumbbells')).toEqual([]);
  });
  test('is missing where fewer are announced, and is raised, not added', () => {
    const text = 'Kit: 1 dumbbell, band\n\nMain: flow\n10 dumbbell thrusters\n10 band row';
    const { findings } = analyseText(text, baseLibrary);
    const [missing] = findings.filter((f) => f.code === 'kit-missing');
    expect(missing).toMatchObject({ pieces: ['2 dumbbells'] });
    expect(applyEdits(text, missing!.changes[0]!.edits, baseLibrary)).toContain('Kit: band, 2 dumbbells');
  });
  test('of a barbell isn’t had from dumbbells, of a dumbbell from bottles', () => {
    const missing = (announced: string, line: string) =>
      analyseText(`Kit: ${announced}\n\nMain: flow\n10 ${line}`, baseLibrary).findings.some(
        (f) => f.code === 'kit-missing',
      );
    expect([missing('dumbbells', 'barbell row'), missing('bottles', 'dumbbell row')]).toEqual([true, false]);
  });
});
