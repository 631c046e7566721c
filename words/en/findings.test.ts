import { expect, test } from 'vitest';
import type { ChangeFacts, Finding, FindingFacts } from '../../core/session/findings/finding.ts';
import { FINDING_CODES } from '../../core/session/findings/finding.ts';
import { changeWords, findingsHeading, findingWords } from './findings.ts';

const needSec = { low: 40, likely: 55, high: 80 };
const FACTS: readonly FindingFacts[] = [
  { code: 'new-movement', name: 'heron walk' },
  { code: 'unknown-routine', name: 'slow start' },
  { code: 'natural-words', usual: ['10 squat', '5 push-up'] },
  { code: 'one-sided', movement: 'split squat', side: null },
  { code: 'one-sided', movement: 'split squat', side: 'left' },
  { code: 'overfull-slot', movement: 'burpee', fromRound: 1, needSec, limit: { kind: 'turn', sec: 60 } },
  { code: 'overfull-slot', movement: 'burpee', fromRound: 4, needSec, limit: { kind: 'cap', sec: 45 } },
  { code: 'over-target', likelySec: 1500, isEstimated: true, targetSec: 1200 },
  { code: 'under-target', likelySec: 900, isEstimated: false, targetSec: 1200 },
  { code: 'kit-missing', pieces: ['2 dumbbells'] },
  { code: 'kit-missing', pieces: ['mat'] },
  { code: 'kit-unused', pieces: ['band'] },
  { code: 'kit-unused', pieces: ['band', 'mat', 'rope'] },
  { code: 'no-warm-up' },
  { code: 'no-cool-down' },
  { code: 'wrists-unprepared', loads: 48 },
  { code: 'same-area-in-a-row', one: 'push-up', other: 'pike push-up', area: 'push' },
  { code: 'same-area-in-a-row', one: 'burpee', other: 'rope skip', area: 'heart and lungs' },
  { code: 'same-area-in-a-row', one: 'squat', other: 'lunge', area: 'legs' },
  { code: 'impact-after-fatigue', movement: 'squat jump', workSec: 1320 },
  { code: 'score-unclear', why: 'no-number', movement: 'burpee' },
  { code: 'score-unclear', why: 'max-never-done' },
  { code: 'score-unclear', why: 'max-no-total' },
  { code: 'score-unclear', why: 'max-not-last' },
  { code: 'score-unclear', why: 'max-in-turns' },
  { code: 'score-unclear', why: 'nothing-climbs' },
  { code: 'rest-odd', workSec: 600, restSec: 0, round: null },
  { code: 'rest-odd', workSec: 20, restSec: 60, round: 2 },
  { code: 'rest-odd', workSec: 60, restSec: 14, round: null },
  { code: 'change-over-tight', from: 'plank', to: 'squat', restSec: 0, leastSec: 5 },
  { code: 'change-over-tight', from: 'plank', to: 'squat', restSec: 3, leastSec: 5 },
  { code: 'long-without-water', longSec: 1320, drinkSec: 30 },
  { code: 'part-round', slots: 5, rounds: 2, items: 2, over: 1 },
  { code: 'part-round', slots: 8, rounds: 2, items: 3, over: 2 },
];

test('each finding is one sentence or two, and none is without words', () => {
  expect(new Set(FACTS.map((f) => f.code))).toEqual(new Set(FINDING_CODES));
  for (const facts of FACTS) expect(findingWords(facts)).toMatch(/^[“A-Z0-9].*[.?]$/);
  expect(FACTS.map(findingWords)).toMatchInlineSnapshot(`
    [
      "“heron walk” is new here: it is taken as written, at a usual pace; which kit it needs stays open.",
      "No routine is stored under “slow start”; this block is empty until there is one.",
      "Taken as “10 squat”, “5 push-up”.",
      "The split squat works one side at a time; say how left and right are counted.",
      "Only the left side of the split squat is written in this block.",
      "Burpee: 0:55 of work (0:40 to 1:20), more than the 1:00 of the turn.",
      "From round 4 on, burpee: 0:55 of work (0:40 to 1:20), later than 0:45, when work should be over.",
      "25:00 likely is 5:00 over the target of 20:00.",
      "15:00 is 5:00 short of the target of 20:00.",
      "2 dumbbells are needed and not announced.",
      "Mat is needed and not announced.",
      "Band is announced, and nothing here uses it.",
      "Band, mat and rope are announced, and nothing here uses them.",
      "There is no warm-up before this much work.",
      "Nothing brings them down again after the work.",
      "48 repetitions or seconds on bent wrists, and nothing has made them ready.",
      "Push-up and pike push-up follow each other, and both ask for the pushing muscles.",
      "Burpee and rope skip follow each other, and both ask for breath.",
      "Squat and lunge follow each other, and both ask for the legs.",
      "Squat jump comes after 22:00 of work, on tired legs. Stepping instead, or earlier in the session, is easier to land.",
      "How many of the burpee? Without a number the score can’t be compared.",
      "“for time” is finished when all is done, and “max” is never done; give it a number.",
      "“max” is no total; give it a number.",
      "Nothing after “max” is reached in a window; put it last.",
      "“max” inside a list that goes round and round has no end; give it a number, or a clock of its own.",
      "Nothing climbs here: every line has a number of its own. Take it from one, “burpee” instead of “5 burpee”.",
      "10:00 of work by the clock without a rest in it. Usual is one part of rest to 1 to 3 of work.",
      "Round 2: 0:20 work to 1:00 rest is 1:3. Usual for such work is 1:1 to 3:1; other ratios have their reasons.",
      "1:00 work to 0:14 rest is 4.3:1. Usual for such work is 1:1 to 3:1; other ratios have their reasons.",
      "From plank on the floor to squat on the feet in no time; getting up takes 5 s or more.",
      "From plank on the floor to squat on the feet in 3 s; getting up takes 5 s or more.",
      "22:00 go by without 30 s to drink.",
      "5 turns are 2 rounds of 2 and 1 more: the first item comes once more than the others.",
      "8 turns are 2 rounds of 3 and 2 more: the first 2 items come once more than the others.",
    ]
  `);
});

test('each way out is a few words on a button', () => {
  const changes: readonly ChangeFacts[] = [
    { kind: 'rename', name: 'push-up' },
    { kind: 'spell-as-usual' },
    { kind: 'number', value: 10 },
    { kind: 'dose', dose: '10 each side' },
    { kind: 'half-each-side' },
    { kind: 'add-side', side: 'right' },
    { kind: 'fewer', from: 12, to: 9, isSeconds: false },
    { kind: 'fewer', from: 60, to: 50, isSeconds: true },
    { kind: 'fewer-everywhere', step: 2 },
    { kind: 'rest-after-each', sec: 15 },
    { kind: 'rest', sec: 10 },
    { kind: 'put-last' },
    { kind: 'whole-rounds', rounds: 1, sec: 120 },
    { kind: 'target', minutes: 20 },
    { kind: 'resize', from: 3, to: 4, isSeconds: false, block: 'Main' },
    { kind: 'resize', from: 300, to: 360, isSeconds: true, block: 'Main' },
    { kind: 'announce', pieces: ['mat', 'band'] },
    { kind: 'leave-out', pieces: ['mat'] },
    { kind: 'leave-out', pieces: ['2 dumbbells'] },
    { kind: 'add', movements: ['arm circle', 'march'] },
    { kind: 'begin-with', reps: 6, movement: 'wrist circle' },
    { kind: 'move', movement: 'squat', to: 'first' },
    { kind: 'move', movement: 'squat', to: { after: 'push-up' } },
    { kind: 'move', movement: 'squat', to: { after: null } },
    { kind: 'rest-after-block', sec: 60, block: 'Main' },
  ];
  expect(changes.map(changeWords)).toMatchInlineSnapshot(`
    [
      "push-up",
      "write it so",
      "10",
      "10 each side",
      "half each side",
      "add the right",
      "9 instead of 12",
      "0:50 instead of 1:00",
      "2 off every station",
      "rest 0:15 after each",
      "rest 0:10",
      "put it last",
      "1 round, 2:00",
      "make the target 20 min",
      "4 rounds instead of 3 in Main",
      "6:00 instead of 5:00 in Main",
      "announce mat and band",
      "don’t announce it",
      "don’t announce them",
      "add arm circle, march",
      "begin with 6 wrist circles",
      "squat first",
      "squat after push-up",
      "squat after the rest",
      "1:00 of rest after Main",
    ]
  `);
});

test('several of a kind have a heading, one has none', () => {
  const finding = (facts: FindingFacts): Finding => ({ ...facts, severity: 'caution', line: 2, changes: [] });
  const group = (code: FindingFacts['code'], count: number) => ({
    code,
    severity: 'caution' as const,
    findings: Array.from({ length: count }, () => finding(FACTS.find((f) => f.code === code)!)),
  });
  for (const code of FINDING_CODES) {
    expect(findingsHeading(group(code, 1))).toBe('');
    expect(findingsHeading(group(code, 2))).not.toBe('');
  }
  expect(findingsHeading(group('new-movement', 4))).toBe(
    '4 movements are new here: taken as written, at a usual pace, with kit left open',
  );
  expect(findingsHeading(group('long-without-water', 2))).toBe('2 stretches without water');
});
