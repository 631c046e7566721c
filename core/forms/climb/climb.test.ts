import { describe, expect, test } from 'vitest';
import { buildStages } from '../../clock/build-stages.ts';
import { advance, startClock } from '../../clock/clock.ts';
import { seenScores } from '../../clock/seen-scores.ts';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import { printSession } from '../../notation/print.ts';
import { applyLever } from '../../progress/levers/apply-lever.ts';
import { scoreFields } from '../../record/scores/score.ts';
import { analyseText } from '../../session/analyse.ts';
import { describeBlock, ruleLines } from '../../session/explain/explain.ts';

const TEXT = 'Main: climb 1 by 1 every 1:00\nburpee\n';
const read = (text: string) => {
  const { document, blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return { document, block: blocks[0]!, plan, stages: buildStages(plan, blocks) };
};

describe('a climb', () => {
  test('is written back as it was read, with other starts, steps and slots', () => {
    for (const header of ['climb 1 by 1 every 1:00', 'climb 2 by 2 every 0:45', 'climb 10 by 5 every 2:00, 2 sets']) {
      const { document } = parseSession(`Main: ${header}\nburpee\n`, baseLibrary);
      expect(printSession(document, baseLibrary)).toBe(`Main: ${header}\nburpee\n`);
    }
  });

  test('a turn that is filled to the second still holds: what comes after it is tried for sure', () => {
    // 2-1-2 is 5 s a repetition, exactly: 11 are 55 s, 12 are the minute, 13 no longer.
    const { stages } = read('Main: climb 11 by 1 every 1:00\nsquat, tempo 2-1-2\n');
    const turns = stages.filter((s) => s.kind === 'span' || s.kind === 'work');
    expect(turns.map((s) => s.optional)).toEqual([false, false, false]);
  });

  test('one more each minute, until the minute no longer holds it: whole turns at each pace, the one that fails isn’t counted', () => {
    const paced = { ...baseLibrary.findByName('burpee')!.paceSec };
    const { plan } = read(TEXT);
    const most = (sec: number) => Math.floor(60 / sec);
    expect(plan.blocks[0]!.clockSec).toEqual({
      low: 60 * most(paced.high),
      likely: 60 * most(paced.likely),
      high: 60 * most(paced.low),
    });
    expect(plan.estimated).toBe(true);
    expect(
      plan.timeline
        .filter((s) => s.reps !== null)
        .slice(0, 4)
        .map((s) => s.reps),
    ).toEqual([1, 2, 3, 4]);
  });

  test('of a turn that no pace holds it is one that is tried; two sets are twice as long', () => {
    const { plan, stages } = read('Main: climb 40 by 1 every 1:00\nburpee\n');
    expect(plan.clockSec).toEqual({ low: 60, likely: 60, high: 60 });
    expect(stages.filter((s) => s.kind === 'span' || s.kind === 'work').length).toBe(1);
    const one = read(TEXT).plan.clockSec;
    const two = read('Main: climb 1 by 1 every 1:00, 2 sets\nburpee\n').plan.clockSec;
    expect(two).toEqual({ low: 2 * one.low, likely: 2 * one.likely, high: 2 * one.high });
  });

  test('says its rule', () => {
    const { block, plan } = read('Main: climb 2 by 3 every 0:45\nburpee\nsquat');
    expect(describeBlock(block, plan.blocks[0]!)).toBe('2 of each, 3 more every 0:45');
    expect(ruleLines(block)).toEqual([
      '2, then 5, 8 and so on, a new count every 0:45; what is left is rest',
      'it ends when the time no longer holds the count; the last one that did is the score',
    ]);
  });

  test('shows the count of the minute, ends by a tap, and the last whole minute is the score', () => {
    const { plan, stages } = read(TEXT);
    expect(stages.slice(1, 4).map((s) => [s.title, s.lines[0]!.figure, s.durationSec])).toEqual([
      ['1 of each', '1', 60],
      ['2 of each', '2', 60],
      ['3 of each', '3', 60],
    ]);
    let state = advance(startClock(0), 'tick', stages, (5 + 4 * 60 + 30) * 1000);
    expect(stages[state.stage]!.title).toBe('5 of each');
    state = advance(state, 'end', stages, (5 + 4 * 60 + 31) * 1000);
    expect(state.status).toBe('finished');
    expect(seenScores(state, stages, scoreFields(plan))).toEqual({ 'score-0-slots': '4' });
    expect(scoreFields(plan)[0]!.fields[0]).toMatchObject({ label: 'last whole minute of burpee', write: 'whole' });
  });

  test('its levers are the count it begins with and the length of a slot; each pulls back', () => {
    const { document } = read(TEXT);
    const pulled = (kind: 'step' | 'clock', by: number) => applyLever(document, { lever: { kind }, by }, baseLibrary);
    expect(printSession(pulled('step', 2), baseLibrary)).toBe('Main: climb 3 by 1 every 1:00\nburpee\n');
    expect(printSession(pulled('clock', -15), baseLibrary)).toBe('Main: climb 1 by 1 every 0:45\nburpee\n');
    expect(applyLever(pulled('step', 2), { lever: { kind: 'step' }, by: -2 }, baseLibrary)).toEqual(document);
    expect(applyLever(document, { lever: { kind: 'rounds' }, by: 1 }, baseLibrary)).toBe(document);
  });

  test.each([
    ['Main: climb 1\nburpee', 'Say how many more each turn has'],
    ['Main: climb 1 by 1\nburpee', 'Say how long each turn is'],
    ['Main: climb 1 by 1 every 1:00, 3 rounds\nburpee', 'A climb has its own numbers'],
  ])('%j is told', (text, message) => {
    expect(parseSession(text, baseLibrary).issues.map((i) => i.message)).toEqual([expect.stringContaining(message)]);
  });

  test('a list of which every line has its own number is told, and is one slot long', () => {
    const { findings, plan } = analyseText('Main: climb 1 by 1 every 1:00\n5 burpee', baseLibrary);
    expect(findings).toContainEqual(expect.objectContaining({ code: 'score-unclear', why: 'nothing-climbs' }));
    expect(plan.clockSec.likely).toBe(60);
  });

  test('a climb of hundreds of lines is more than anyone can do', () => {
    const text = `Main: climb 1 by 1 every 1:00\n${'burpee\n'.repeat(390)}`;
    expect(parseSession(text, baseLibrary).issues.map((i) => i.message)).toEqual([
      expect.stringContaining('more than anyone can do'),
    ]);
  });
});
