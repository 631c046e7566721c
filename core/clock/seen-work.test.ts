import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { worthOf } from '../record/adherence/worth.ts';
import { computePlan } from '../session/plan.ts';
import { resolveBlocks } from '../session/resolve.ts';
import { buildStages } from './build-stages.ts';
import type { ClockEvent } from './clock.ts';
import { runClock, startClock } from './clock.ts';
import { proposeOutcome, seenWork } from './seen-work.ts';
import { applyShapes } from './shapes.ts';

/** Plays [event, at second] pairs from second 0, and says what was seen of it. */
function seen(text: string, events: readonly (readonly [ClockEvent, number])[]) {
  const { document } = parseSession(text, baseLibrary);
  const plan = computePlan(document, baseLibrary);
  const written = buildStages(plan, resolveBlocks(document));
  let state = startClock(0);
  for (const [event, sec] of events)
    state = runClock(state, event, applyShapes(written, state.changes, {}), sec * 1000).state;
  const work = seenWork(state, applyShapes(written, state.changes, {}), written);
  return { state, plan, blocks: document.blocks, work, proposed: proposeOutcome(state, work) };
}
const nexts = (count: number, everySec: number, from = 0) =>
  Array.from({ length: count }, (_, i): [ClockEvent, number] => ['next', from + (i + 1) * everySec]);

const INTERVALS = 'Main: work 0:40 rest 0:20, 2 rounds\nsquat\nplank';
/** Ready 5 s, then four turns of a minute. */
const WHOLE_SEC = 245;

describe('what the clock saw', () => {
  test('all that ran to its end was done', () => {
    const { work, proposed } = seen(INTERVALS, [['tick', WHOLE_SEC]]);
    expect(work).toEqual({ shareRatio: 1, did: {} });
    expect(proposed).toBeUndefined();
  });

  test('a session that is skipped through is a part, by what was reached', () => {
    // Eight stages passed by within 9 s: some seconds of work in each.
    const { state, work, proposed } = seen(INTERVALS, nexts(9, 1));
    expect(state.status).toBe('finished');
    expect(work!.shareRatio).toBeCloseTo(0.03, 2);
    expect(proposed).toEqual({ outcome: 'part', sharePct: 3 });
    expect(seen(INTERVALS, nexts(9, 0)).proposed).toEqual({ outcome: 'not-done' });
  });

  test('a turn that is left a moment before its end is all of it; one that is left in the middle is half', () => {
    expect(
      seen(INTERVALS, [
        ['next', 5 + 38],
        ['tick', 300],
      ]).work,
    ).toEqual({ shareRatio: 1, did: {} });
    expect(
      seen(INTERVALS, [
        ['next', 5 + 20],
        ['tick', 300],
      ]).work,
    ).toEqual({ shareRatio: 0.88, did: { '0-0': 0.75 } });
  });

  test('who stops has done what ran until then', () => {
    const { proposed, work } = seen(INTERVALS, [['pause', 5 + 60 + 20]]);
    expect(work).toEqual({ shareRatio: 0.38, did: { '0-0': 0.5, '0-1': 0.25 } });
    expect(proposed).toEqual({ outcome: 'part', sharePct: 38 });
  });

  test('what was left out because it hurt isn’t done, whatever time ran there', () => {
    const { work, proposed, plan, blocks } = seen('Main: work 0:30 rest 0:30, 2 rounds\n10 squat\n8 push-up', [
      [{ kind: 'change', change: { kind: 'swap', from: 1, movement: 'squat', to: null } }, 5],
      ['tick', 300],
    ]);
    expect(work).toEqual({ shareRatio: 0.5, did: { '0-0': 0 } });
    expect(proposed).toEqual({ outcome: 'part', sharePct: 50 });
    const record = {
      outcome: 'part' as const,
      shareRatio: 0.5,
      scores: [],
      details: { did: work!.did, ranSec: { 0: 240 } },
    };
    expect(worthOf(record, { plan, blocks }, { targets: {}, paced: {} }, baseLibrary)).toMatchObject({
      minutes: 4,
      reps: 16,
      isAboutReps: true,
      movements: [
        { name: 'push-up', reps: 16 },
        { name: 'squat', reps: 0 },
      ],
    });
  });

  test('at one’s own pace a quarter of the likely time is quick work, less is passing by', () => {
    // Ready 5 s; ten squats take about 22 s.
    expect(
      seen('Main: 2 rounds\n10 squat', [
        ['next', 11],
        ['next', 17],
      ]).work,
    ).toEqual({ shareRatio: 1, did: {} });
    expect(
      seen('Main: 2 rounds\n10 squat', [
        ['next', 6],
        ['next', 7],
      ]).work!.shareRatio,
    ).toBeLessThan(0.25);
  });

  test('rounds that may be left out, and what the end or the cap of a block cut off, aren’t owed', () => {
    expect(
      seen('Warm-up: 2 to 3 rounds\n6 squat', [
        ['next', 15],
        ['next', 25],
        ['pause', 25],
      ]).work!.shareRatio,
    ).toBe(1);
    const climb = seen('Main: climb 1 by 1 every 1:00\nsquat', [['end', 200]]);
    expect(climb.work?.shareRatio ?? 1).toBe(1);
    expect(seen('Main: for time, cap 1:00\n30 squat\n30 push-up', [['tick', 90]]).proposed).toBeUndefined();
  });

  test('going back and doing it once more takes nothing away', () => {
    expect(
      seen(INTERVALS, [
        ['tick', 60],
        ['back', 66],
        ['next', 67],
        ['tick', 400],
      ]).work!.shareRatio,
    ).toBe(1);
  });

  test('a clock of an older version, which timed no stages, says nothing but that it was stopped', () => {
    const { state, plan } = seen(INTERVALS, [['tick', 100]]);
    const { document } = parseSession(INTERVALS, baseLibrary);
    const stages = buildStages(plan, resolveBlocks(document));
    const old = { ...state, spentMs: 0, spentByStageMs: {} };
    expect(seenWork(old, stages, stages)).toBeUndefined();
    expect(proposeOutcome(old, undefined)).toEqual({ outcome: 'part' });
  });
  test('a round that was counted was done, though the clock hardly ran', () => {
    const { work, proposed } = seen('Main: amrap 10:00\n5 squat', [
      ['tick', 5.5],
      ['tap', 5.6],
      ['next', 5.7],
    ]);
    expect(work!.shareRatio).toBe(0);
    expect(proposed).toEqual({ outcome: 'part', sharePct: 1 });
  });
});
