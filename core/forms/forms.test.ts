import { describe, expect, test } from 'vitest';
import { buildStages } from '../clock/build-stages.ts';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { applyLever, readLever } from '../progress/levers/apply-lever.ts';
import type { LeverKind } from '../progress/levers/lever.ts';
import { LEVER_KINDS } from '../progress/levers/lever.ts';
import { scoreFields } from '../record/scores/score.ts';
import { analyseText } from '../session/analyse.ts';
import { computePlan } from '../session/plan.ts';
import { describeBlock, explainLength, ruleLines } from '../session/explain/explain.ts';
import { shapeOf, SHAPES, TIME_FORMS } from './forms.ts';

/** One form, followed from the text to the score and back. Lengths and counts are added up by hand. */
interface Row {
  readonly shape: string;
  readonly header: string;
  readonly items: string;
  /** Likely seconds. */
  readonly sec: number;
  readonly length: string;
  readonly short: string;
  readonly rules: readonly string[];
  /** The first stages after getting ready: kind, title, figure or lines. */
  readonly stages: readonly string[];
  readonly score: readonly string[];
  /** Levers with what they stand at, and the header or line after one step. */
  readonly levers: Partial<Record<LeverKind, readonly [stands: string, by: number, after: string]>>;
}

const ROWS: readonly Row[] = [
  {
    shape: 'flow',
    header: 'flow',
    items: '0:30 plank\n0:20/side side plank',
    sec: 30 + 5 + 2 * 20,
    length: '',
    short: 'once through, unhurried',
    rules: [],
    stages: ['work plank 0:30', 'get-ready Get ready: side plank', 'work side plank 0:20'],
    score: [],
    levers: { work: ['0:30/0:20', 5, '0:35 plank'] },
  },
  {
    shape: 'rounds',
    header: '3 rounds, rest 0:20 to 0:40 between rounds, 2 sets, rest 1:00, then rest 2:00',
    items: '0:30 plank',
    sec: 2 * (3 * 30 + 2 * 30) + 60,
    length: '5:20 to 6:40',
    short: 'at your own pace, 3 rounds',
    rules: ['0:20 to 0:40, as you choose, rest between rounds', 'all of it twice, 1:00 between'],
    stages: ['work plank 0:30', 'rest Rest', 'work plank 0:30'],
    score: [],
    levers: {
      rounds: ['3', 1, 'Main: 4 rounds, rest 0:20 to 0:40 between rounds, 2 sets, rest 1:00, then rest 2:00'],
      sets: ['2', 1, 'Main: 3 rounds, rest 0:20 to 0:40 between rounds, 3 sets, rest 1:00, then rest 2:00'],
      work: ['0:30', 5, '0:35 plank'],
      rest: [
        '0:20 to 0:40 and 1:00',
        5,
        'Main: 3 rounds, rest 0:25 to 0:45 between rounds, 2 sets, rest 1:05, then rest 2:00',
      ],
    },
  },
  {
    shape: 'for-time',
    header: 'for time, cap 4:00, reps 9-6-3',
    items: 'squat',
    sec: 3 * (9 + 6 + 3) - 14,
    length: '0:29 to 0:54',
    short: 'for time, 9, 6, 3 of each, at most 4:00',
    rules: ['what is done by the cap is the score'],
    stages: ['work squat 9', 'work squat 6', 'work squat 3'],
    score: ['time for squat', 'or reps by the cap of 4:00'],
    levers: {
      rounds: ['3', 1, 'Main: for time, cap 4:00, reps 9-6-3-1'],
      reps: ['9-6-3', 1, 'Main: for time, cap 4:00, reps 10-7-4'],
      clock: ['4:00', 60, 'Main: for time, cap 5:00, reps 9-6-3'],
    },
  },
  {
    shape: 'relay',
    header: 'relay 6-4 teams of 3',
    items: 'squat',
    sec: 3 * (6 + 4) * 2.2,
    length: '0:48 to 1:30',
    short: 'a relay, 6, 4 of each',
    rules: ['teams of 3: one works, the others wait, each does the number, then the next of the team'],
    stages: ['work squat 6', 'rest Your team works', 'work squat 4'],
    score: [],
    levers: { rounds: ['2', 1, 'Main: relay 6-4-2 teams of 3'] },
  },
  {
    shape: 'amrap',
    header: 'amrap 8:00, reps 4-8-12 cycling',
    items: 'squat\n5 burpee',
    sec: 480,
    length: '',
    short: 'as many rounds as you can in 8:00, 4, 8, 12 of each, then from 4 again',
    rules: [],
    stages: ['span As many rounds as you can [4 squat, 5 burpee] taps round'],
    score: ['whole rounds', 'and reps of the next round'],
    levers: {
      clock: ['8:00', 60, 'Main: amrap 9:00, reps 4-8-12 cycling'],
      reps: ['4-8-12 and 5', 1, 'Main: amrap 8:00, reps 5-9-13 cycling'],
      step: ['4-8-12 cycling', 1, 'Main: amrap 8:00, reps 4-9-14 cycling'],
    },
  },
  {
    shape: 'turns',
    header: 'turns of 2 in 5:00',
    items: '10 squat',
    sec: 300,
    length: '',
    short: 'in turns of 2, 5:00',
    rules: ['2 partners: one does the list once, the other watch, then swap'],
    stages: ['span In turns of 2 [10 squat] taps swap'],
    score: [],
    levers: { reps: ['10', 1, '11 squat'], clock: ['5:00', 60, 'Main: turns of 2 in 6:00'] },
  },
  {
    shape: 'every',
    header: 'every 1:00 for 6:00, work cap 0:45',
    items: '10 squat\n6 push-up\nrest',
    sec: 360,
    length: '2 rounds × 3 × 1:00',
    short: 'a new one every 1:00, 2 rounds',
    rules: ['work is over by 0:45 of each; what is left is rest'],
    stages: ['work squat 10', 'work push-up 6', 'rest Rest', 'work squat 10'],
    score: [],
    levers: {
      rounds: ['2', 1, 'Main: every 1:00 for 9:00, work cap 0:45'],
      reps: ['10/6', 1, '11 squat'],
      clock: ['1:00', -5, 'Main: every 0:55 for 5:30, work cap 0:45'],
    },
  },
  {
    shape: 'intervals',
    header: 'work 0:40 rest 0:20, 3 rounds',
    items: 'squat\neach side side plank',
    sec: 360,
    length: '3 rounds × 2 × 1:00',
    short: '0:40 work, 0:20 rest, 3 rounds',
    rules: [],
    stages: ['work squat', 'rest Rest', 'work side plank', 'rest Rest'],
    score: [],
    levers: {
      rounds: ['3', 1, 'Main: work 0:40 rest 0:20, 4 rounds'],
      work: ['0:40', 5, 'Main: work 0:45 rest 0:20, 3 rounds'],
      rest: ['0:20', -5, 'Main: work 0:40 rest 0:15, 3 rounds'],
    },
  },
  {
    shape: 'counted-intervals',
    header: 'work 0:20 rest 0:10 x 8',
    items: 'squat\nburpee',
    sec: 240,
    length: '8 × 0:30',
    short: '0:20 work, 0:10 rest, 4 rounds',
    rules: ['the exercises take turns'],
    stages: ['work squat', 'rest Rest', 'work burpee'],
    score: [],
    levers: {
      rounds: ['8 intervals', 1, 'Main: work 0:20 rest 0:10 x 10'],
      work: ['0:20', 5, 'Main: work 0:25 rest 0:10 x 8'],
      rest: ['0:10', 5, 'Main: work 0:20 rest 0:15 x 8'],
    },
  },
  {
    shape: 'windows',
    header: 'windows 2:00 x 3 rest 0:30',
    items: '12 goblet squat\nmax sit-through',
    sec: 450,
    length: '3 × 2:30',
    short: '3 windows of 2:00, each from the top',
    rules: ['0:30 rest after each window'],
    stages: ['span Window 1, from the top [12 goblet squat, max sit-through] asks', 'rest Rest'],
    score: ['sit-through in window 1', 'sit-through in window 2', 'sit-through in window 3'],
    levers: {
      reps: ['12', 1, '13 goblet squat'],
      load: ['as at hand', 2, '12 goblet squat, "1 step heavier than at first"'],
      rest: ['0:30', -5, 'Main: windows 2:00 x 3 rest 0:25'],
      windows: ['3', 1, 'Main: windows 2:00 x 4 rest 0:30'],
      clock: ['2:00', 15, 'Main: windows 2:15 x 3 rest 0:30'],
    },
  },
  {
    shape: 'pyramid',
    header: 'pyramid +3 in 1:15 rest 0:45',
    items: 'bear crawl\nchair dip',
    sec: 240,
    length: '2 ways × 2:00',
    short: 'up by 3 a set in 1:15, then down in another 1:15',
    rules: [
      '3 of each, then 6, 9 and so on for 1:15; then down by 3 from the set you stopped in, for 1:15 again',
      '0:45 rest after each way',
    ],
    stages: [
      'span Up by 3 a set [3 bear crawl, 3 chair dip] taps set asks',
      'rest Rest',
      'span Down by 3 from the set you stopped in [3 bear crawl, 3 chair dip] taps set asks',
    ],
    score: ['top set of bear crawl and chair dip', 'and reps of the next', 'and sets coming down'],
    levers: {
      rest: ['0:45', -5, 'Main: pyramid +3 in 1:15 rest 0:40'],
      step: ['+3', 1, 'Main: pyramid +4 in 1:15 rest 0:45'],
      clock: ['1:15', 15, 'Main: pyramid +3 in 1:30 rest 0:45'],
    },
  },
];

const say = (stage: ReturnType<typeof buildStages>[number]): string =>
  [
    stage.kind,
    stage.title,
    stage.figure,
    stage.lines.length > 0
      ? `[${stage.lines.map((l) => [l.figure, l.name].filter(Boolean).join(' ')).join(', ')}]`
      : '',
    stage.taps ? `taps ${stage.taps}` : '',
    stage.asks ? 'asks' : '',
  ]
    .filter(Boolean)
    .join(' ');

describe.each(ROWS)('$shape: $header', (row) => {
  const text = `Main: ${row.header}\n${row.items}\n`;
  const { document, blocks, plan, issues } = analyseText(text, baseLibrary);
  const block = blocks[0]!;

  test('text, document and text again', () => {
    expect(issues).toEqual([]);
    expect(shapeOf(document.blocks[0]!).id).toBe(row.shape);
    expect(printSession(document, baseLibrary)).toBe(text);
  });

  test('its length, and how that came about', () => {
    expect(plan.blocks[0]!.clockSec.likely).toBe(row.sec);
    expect(explainLength(block, plan.blocks[0]!)).toBe(row.length);
  });

  test('its rules in words', () => {
    expect(describeBlock(block, plan.blocks[0]!)).toBe(row.short);
    expect(ruleLines(block)).toEqual(row.rules);
  });

  test('what the clock shows and asks', () => {
    const stages = buildStages(plan, blocks).slice(1);
    expect(stages.slice(0, row.stages.length).map(say)).toEqual(row.stages);
  });

  test('its score', () => {
    expect(scoreFields(plan).flatMap((s) => s.fields.map((f) => f.label))).toEqual(row.score);
  });

  test('its levers, and each the other way', () => {
    const kinds = LEVER_KINDS.filter((k) => k !== 'effort' && k !== 'shape');
    expect(kinds.filter((kind) => readLever(document, { kind }, baseLibrary) !== undefined).sort()).toEqual(
      Object.keys(row.levers).sort(),
    );
    for (const [kind, [stands, by, after]] of Object.entries(row.levers) as [
      LeverKind,
      readonly [string, number, string],
    ][]) {
      expect([kind, readLever(document, { kind }, baseLibrary)]).toEqual([kind, stands]);
      const pulled = applyLever(document, { lever: { kind }, by }, baseLibrary);
      const changed = printSession(pulled, baseLibrary).split('\n');
      expect([kind, changed.find((line, i) => line !== text.split('\n')[i])]).toEqual([kind, after]);
      expect(applyLever(pulled, { lever: { kind }, by: -by }, baseLibrary)).toEqual(document);
    }
  });
});

test('every shape that can be picked is followed through all layers, here or beside its form', () => {
  const beside = ['climb', 'accumulate'];
  expect([...ROWS.map((r) => r.shape), ...beside].sort()).toEqual(SHAPES.map((s) => s.id).sort());
  expect(new Set(TIME_FORMS.map((f) => f.kind)).size).toBe(TIME_FORMS.length);
});

test('the picture of every shape is a session that reads', () => {
  for (const { id, picture } of SHAPES)
    if (typeof picture === 'string') expect([id, parseSession(picture, baseLibrary).issues]).toEqual([id, []]);
});

describe('a hold within an interval', () => {
  const parts = (line: string) => {
    const { document, issues } = parseSession(`Main: work 0:40 rest 0:20\n${line}\n`, baseLibrary);
    expect(issues).toEqual([]);
    return computePlan(document, baseLibrary).steps[0]!.parts.map((p) =>
      `${p.kind} ${p.sec.likely} ${p.reps ?? ''}`.trim(),
    );
  };
  test('is its last seconds, on each side where there are two; by count as many as its repetitions', () => {
    expect(parts('bridge, then hold 0:10')).toEqual(['work 30', 'hold 10']);
    expect(parts('12 bridge, then hold by count')).toEqual(['work 28 12', 'hold 12']);
    expect(parts('6/side split squat, then hold 0:05')).toEqual(['work 15 6', 'hold 5', 'work 15 6', 'hold 5']);
  });
  test('leaves time to work, or is none; a hold holds anyway', () => {
    expect(parts('bridge, then hold 0:40')).toEqual(['work 40']);
    expect(parts('bridge, then hold 0:39')).toEqual(['work 1', 'hold 39']);
    expect(parts('plank, then hold 0:10')).toEqual(['hold 40']);
    expect(parts('bridge, then hold by count')).toEqual(['work 40']);
  });
});
