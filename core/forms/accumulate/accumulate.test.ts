import { describe, expect, test } from 'vitest';
import { advance, startClock } from '../../clock/clock.ts';
import { seenScores } from '../../clock/seen-scores.ts';
import { buildStages } from '../../clock/build-stages.ts';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import { printSession } from '../../notation/print.ts';
import { applyLever } from '../../progress/levers/apply-lever.ts';
import { formatScore, parseScores, scoreFields } from '../../record/scores/score.ts';
import { analyseText } from '../../session/analyse.ts';
import { describeBlock, ruleLines } from '../../session/explain/explain.ts';

const read = (text: string) => {
  const { document, blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return { document, block: blocks[0]!, plan, stages: buildStages(plan, blocks) };
};
const CAPPED = 'Main: accumulate, cap 6:00\n100 push-up\n2:00 plank\n';

describe('accumulate', () => {
  test('is written back as it was read', () => {
    for (const text of ['Main: accumulate\n100 squat\n', CAPPED])
      expect(printSession(parseSession(text, baseLibrary).document, baseLibrary)).toBe(text);
  });

  test('2:00 of a hold take 2:00, with breaks likely 2:24 and at most 3:12; its counts are the totals', () => {
    const { plan } = read('Main: accumulate\n2:00 plank');
    expect(plan.blocks[0]!.clockSec).toEqual({ low: 120, likely: 144, high: 192 });
    expect(plan.estimated).toBe(true);
    expect(read('Main: accumulate\n100 squat').plan.reps).toEqual({ squat: 100 });
  });

  test('a cap ends it', () => {
    expect(read(CAPPED).plan.blocks[0]!.clockSec.high).toBe(360);
  });

  test('says its rule', () => {
    const { block, plan } = read(CAPPED);
    expect(describeBlock(block, plan.blocks[0]!)).toBe('gather these totals, at most 6:00');
    expect(ruleLines(block)).toEqual([
      'in as many parts as you like, in any order',
      'what is done by the cap is the score',
    ]);
  });

  test('is one stage with all its totals, that waits for a tap; the time is the score', () => {
    const { plan, stages } = read('Main: accumulate\n100 push-up\n2:00 plank');
    expect(stages.map((s) => [s.kind, s.ruledBy])).toEqual([
      ['get-ready', 'clock'],
      ['span', 'own'],
    ]);
    expect(stages[1]!.lines.map((l) => [l.figure, l.name])).toEqual([
      ['100', 'push-up'],
      ['2:00', 'plank'],
    ]);
    let state = advance(startClock(0), 'tick', stages, 6000);
    state = advance(state, 'next', stages, 305_000);
    expect(seenScores(state, stages, scoreFields(plan))).toEqual({ 'score-0-time': '5:00' });
  });

  test('at the cap, what was reached is the score', () => {
    const { plan } = read(CAPPED);
    const { scores } = parseScores(plan, (name) => (name === 'score-0-reps' ? '84' : ''));
    expect(scores).toEqual([{ block: 0, kind: 'time', sec: 360, reps: 84 }]);
    expect(formatScore(scores[0]!)).toBe('84 reps by the cap of 6:00');
  });

  test('its levers are the totals and the cap; each pulls back', () => {
    const { document } = read(CAPPED);
    const more = applyLever(document, { lever: { kind: 'reps' }, by: 10 }, baseLibrary);
    expect(printSession(more, baseLibrary)).toBe('Main: accumulate, cap 6:00\n110 push-up\n2:00 plank\n');
    const shorter = applyLever(document, { lever: { kind: 'clock' }, by: -60 }, baseLibrary);
    expect(printSession(shorter, baseLibrary)).toMatch(/^Main: accumulate, cap 5:00\n/);
    expect(applyLever(shorter, { lever: { kind: 'clock' }, by: 60 }, baseLibrary)).toEqual(document);
  });

  test.each([
    ['Main: accumulate, 3 rounds\n100 squat', 'are totals, done once'],
    ['Main: accumulate, for time\n100 squat', '“for time” runs without a clock'],
  ])('%j is told', (text, message) => {
    expect(parseSession(text, baseLibrary).issues.map((i) => i.message)).toEqual([expect.stringContaining(message)]);
  });
});
