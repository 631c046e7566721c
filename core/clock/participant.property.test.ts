import fc from 'fast-check';
import { expect, test } from 'vitest';
import { runs } from '../../tests/long.ts';
import { baseLibrary } from '../movement/library.ts';
import { arbitraryBlock } from '../notation/arbitrary-document.ts';
import { readScores, scoreFields } from '../record/scores/score.ts';
import { computePlan } from '../session/plan.ts';
import { resolveBlocks } from '../session/resolve.ts';
import { buildStages } from './build-stages.ts';
import type { ClockState } from './clock.ts';
import { fewerOf } from './fewer-stages.ts';
import { applyShapes, chosenShapes } from './shapes.ts';
import { withStageOptions } from './stage-options.ts';
import { stepFewer } from './step-fewer.ts';
import { openQuestion, runClock, startClock, tapsOf } from './clock.ts';
import { seenScores } from './seen-scores.ts';
import { seenWork } from './seen-work.ts';
import type { RecordDetails } from '../record/record.ts';
import { worthOf } from '../record/adherence/worth.ts';
import { readRounds, roundFields } from '../record/round-fields.ts';
import { seenRounds } from './seen-rounds.ts';
import { partnerRounds } from './turns.ts';
import { withSetUps } from './voice/set-up.ts';

/**
 * What a participant does next: waits, taps, takes one back, goes on, goes back, answers what is asked, pauses for a while, takes an
 * option or fewer repetitions, says that a turn isn't over.
 */
const DEEDS = [
  'wait',
  'wait',
  'wait',
  'tap',
  'tap',
  'untap',
  'next',
  'back',
  'answer',
  'pause',
  'end',
  'option',
  'fewer',
  'over',
] as const;

/** Someone with a session on the clock, by a list of deeds; what they tapped and said is kept beside it, for comparison. */
function follow(
  blocks: Parameters<typeof resolveBlocks>[0]['blocks'],
  deeds: readonly (readonly [(typeof DEEDS)[number], number])[],
) {
  const document = { blocks };
  const plan = computePlan(document, baseLibrary);
  const resolved = resolveBlocks(document);
  const set = withSetUps(buildStages(plan, resolved), baseLibrary);
  const written = withStageOptions(set, document, resolved, baseLibrary);
  const taps = new Map<number, number>();
  const answers = new Map<number, number>();
  let state: ClockState = startClock(0);
  let nowMs = 0;
  const send = (event: Parameters<typeof runClock>[1]) => {
    state = runClock(state, event, applyShapes(written, state.changes, {}), nowMs).state;
  };
  for (const [deed, n] of deeds) {
    if (written.length === 0) break;
    const at = state.stage;
    const stages = applyShapes(written, state.changes, {});
    switch (deed) {
      case 'wait':
        nowMs += n * 700;
        send('tick');
        break;
      case 'tap':
      case 'untap':
        send('tick');
        if (state.status === 'running' && stages[state.stage]?.taps) {
          const before = taps.get(state.stage) ?? 0;
          taps.set(state.stage, Math.max(0, before + (deed === 'tap' ? 1 : -1)));
        }
        send(deed);
        break;
      case 'answer': {
        const open = openQuestion(state, stages);
        if (open === undefined) break;
        answers.set(open, n);
        send({ kind: 'answer', stage: open, value: n });
        break;
      }
      case 'option': {
        const stage = written[at];
        const line = stage?.lines.find((l) => l.options);
        const options = stage?.options ?? line?.options ?? [];
        const item = stage?.item ?? line?.item;
        if (!stage || options.length === 0 || item === undefined) break;
        const change = { kind: 'option', from: at, block: stage.block, item, option: n % options.length } as const;
        send({ kind: 'change', change });
        break;
      }
      case 'fewer': {
        const change = stepFewer(state, written, n % 3 === 0 ? -1 : 1);
        if (change) send({ kind: 'change', change });
        break;
      }
      case 'pause':
        send('pause');
        nowMs += n * 1000;
        send('resume');
        break;
      default:
        send(deed);
    }
    if (deed === 'back' && state.stage < at) break;
  }
  const stages = applyShapes(written, state.changes, {});
  const fewer = fewerOf(state.changes);
  const chosen = chosenShapes(written, state.changes, {});
  return { plan, resolved, stages, written, state, taps, answers, done: { chosen, fewer } };
}

const deeds = fc.array(fc.tuple(fc.constantFrom(...DEEDS), fc.integer({ min: 0, max: 90 })), { maxLength: 60 });
const sessions = fc.array(arbitraryBlock, { minLength: 1, maxLength: 2 });

test('what a log proposes is what was tapped and said, whatever somebody does with the clock', () => {
  fc.assert(
    fc.property(sessions, deeds, (blocks, done) => {
      const { plan, stages, state, taps, answers } = follow(blocks, done);
      for (const [at, count] of taps) expect([at, tapsOf(state, at)]).toEqual([at, count]);
      const scored = scoreFields(plan);
      const seen = seenScores(state, stages, scored);
      const { scores, errors } = readScores(scored, (name) => seen[name] ?? '');
      expect(errors).toEqual([]);
      for (const score of scores) {
        const own = scored.find((s) => s.block === score.block && s.part === score.part)!;
        const mine = stages.flatMap((s, at) => (s.block === own.block && s.set === own.set ? [at] : []));
        if (score.kind === 'rounds+reps') {
          const at = mine.find((i) => stages[i]!.taps !== null && taps.has(i));
          const swaps = at === undefined ? 0 : taps.get(at)!;
          const rounds =
            at !== undefined && stages[at]!.taps === 'swap' ? partnerRounds(stages[at]!, swaps, own.person) : swaps;
          expect(score.rounds).toBe(rounds);
          const partial = mine.find((i) => stages[i]!.asks?.what === 'partial' && answers.has(i));
          expect(score.reps).toBe(partial === undefined ? 0 : answers.get(partial));
        }
        if (score.kind === 'reps-per-window')
          for (const i of mine) if (answers.has(i)) expect(score.reps).toContain(answers.get(i));
      }
    }),
    { numRuns: runs(5000) },
  );
});

test('the share that was done is never more than all, nor less than nothing; each item’s lies between', () => {
  fc.assert(
    fc.property(sessions, deeds, (blocks, done) => {
      const { stages, written, state } = follow(blocks, done);
      const work = seenWork(state, stages, written);
      if (!work) return;
      expect(work.shareRatio).toBeGreaterThanOrEqual(0);
      expect(work.shareRatio).toBeLessThanOrEqual(1);
      for (const ratio of Object.values(work.did)) {
        expect(ratio).toBeGreaterThanOrEqual(0);
        expect(ratio).toBeLessThan(1);
      }
    }),
    { numRuns: runs(1000) },
  );
});

test('what it was worth adds up: each movement to all of them, all that was done whole to the plan and its scores', () => {
  fc.assert(
    fc.property(sessions, deeds, (blocks, done) => {
      const { plan, resolved, stages, written, state, done: chosen } = follow(blocks, done);
      const seen = { ...seenScores(state, stages, scoreFields(plan)), ...seenRounds(state, stages) };
      const { scores } = readScores(scoreFields(plan), (name) => seen[name] ?? '');
      const rounds = readRounds(roundFields(plan, resolved), (name) => seen[name] ?? '');
      const work = seenWork(state, stages, written);
      const session = { plan, blocks: resolved };
      const worthWith = (details: RecordDetails, shareRatio: number) =>
        worthOf({ outcome: 'done', shareRatio, scores, details }, session, { targets: {}, paced: {} }, baseLibrary)!;
      const part = worthWith({ ...chosen, rounds, ...(work && { did: work.did }) }, work?.shareRatio ?? 1);
      const whole = worthWith({ chosen: chosen.chosen, rounds }, 1);
      for (const { reps, movements } of [part, whole]) {
        if (reps === null || movements.length === 0) continue;
        expect(movements.reduce((sum, m) => sum + m.reps, 0)).toBeCloseTo(reps, 6);
        for (const m of movements) expect(m.reps).toBeGreaterThanOrEqual(0);
      }
      if (part.reps !== null && whole.reps !== null) expect(part.reps).toBeLessThanOrEqual(whole.reps + 1e-6);
    }),
    { numRuns: runs(2000) },
  );
});
