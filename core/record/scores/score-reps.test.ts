import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../../tests/long.ts';
import { buildStages } from '../../clock/build-stages.ts';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import type { StageLine } from '../../clock/stage.ts';
import { carriedFigure } from '../../clock/stage.ts';
import type { Score } from './score.ts';
import { scoreReps } from './score-reps.ts';

const blockOf = (text: string) => analyseText(text, baseLibrary).blocks[0]!;
type Bare = Score extends infer S ? (S extends Score ? Omit<S, 'block'> : never) : never;
/** The repetitions that a line shows on a round, both sides together; 0 for a time. */
function repsShown({ carried, figure, details }: StageLine, round: number): number {
  const shown = carried ? carriedFigure(carried, round, 0) : figure;
  return shown.includes(':') ? 0 : Number(shown) * (details.includes('each side') ? 2 : 1);
}

/** By line, its repetitions on all turns together. */
const told = (text: string, score: Bare) => {
  const found = scoreReps({ block: 0, ...score }, blockOf(text));
  if (!found) return undefined;
  const sums: number[] = [];
  for (const { item, reps } of found.counts ?? []) sums[item] = (sums[item] ?? 0) + reps;
  return [found.total, ...sums];
};

describe('the repetitions that a score stands for', () => {
  test.each<[string, Bare, number[] | undefined]>([
    ['amrap 8:00\n10 squat\n8 push-up', { kind: 'rounds+reps', rounds: 9, reps: 4 }, [166, 94, 72]],
    ['amrap 8:00\n10 squat\n8 push-up', { kind: 'rounds+reps', rounds: 0, reps: 13 }, [13, 10, 3]],
    // Both sides count; a number in pairs is two each.
    [
      'amrap 8:00\n6/side reverse lunge\n5 pairs mountain climber',
      { kind: 'rounds+reps', rounds: 2, reps: 0 },
      [44, 24, 20],
    ],
    // Numbers that grow, and a list that goes round.
    ['amrap 8:00\n2+2 push-up\n4 squat', { kind: 'rounds+reps', rounds: 3, reps: 9 }, [33, 20, 13]],
    ['amrap 8:00, reps 5-4-3 cycling\nsquat\npush-up', { kind: 'rounds+reps', rounds: 4, reps: 1 }, [35, 18, 17]],
    // What isn't counted in repetitions is no gap.
    ['amrap 8:00\n10 squat\n0:20 plank', { kind: 'rounds+reps', rounds: 3, reps: 0 }, [30, 30]],
    ['amrap 8:00, by feel\nsquat\npush-up', { kind: 'rounds+reps', rounds: 3, reps: 0 }, undefined],
    ['amrap 1:00\nmax push-up', { kind: 'reps', reps: 41 }, [41, 41]],
    ['work 0:30 rest 0:30\nmax squat\nmax push-up', { kind: 'reps', reps: 30 }, [30]],
    ['for time, reps 9-6-3, cap 5:00\nsquat\npush-up', { kind: 'time', sec: 300, reps: 20 }, [20, 11, 9]],
    ['for time\n20 squat', { kind: 'time', sec: 90 }, undefined],
    ['windows 1:00 x 2 rest 0:30\n10 squat\nmax push-up', { kind: 'reps-per-window', reps: [7, 5] }, [32, 20, 12]],
    ['windows 1:00 x 2 rest 0:30\n10 squat\nmax push-up', { kind: 'reps-per-window', reps: [7, 0] }, [17, 10, 7]],
    ['windows 1:00 x 2 rest 0:30\n5 squat\n5 push-up', { kind: 'reps-per-window', reps: [12, 9] }, [21, 12, 9]],
    ['pyramid +3 in 1:15 rest 0:45\nsquat\nburpee', { kind: 'top-set', tops: [4] }, [60, 30, 30]],
    // Half of the fourth set, of twelve; then down from it.
    ['pyramid +3 in 1:15 rest 0:45\nsquat\nburpee', { kind: 'top-set', tops: [3.5] }, [48, 24, 24]],
    // Up 3, 6, 9 and 10 of 12; down from there 12 and 9.
    [
      'pyramid +3 in 1:15 rest 0:45\nsquat\nburpee',
      { kind: 'top-set', tops: [3], begun: [10], downs: [2] },
      [98, 49, 49],
    ],
    ['pyramid +3 in 1:15 rest 0:45\nsquat\nburpee', { kind: 'top-set', tops: [3.5], downs: [2] }, [90, 45, 45]],
    ['climb 4 by 2 every 1:00\nsquat\npush-up', { kind: 'whole-slots', slots: 3 }, [36, 18, 18]],
    ['climb 4 by 2 every 1:00\nsquat\npush-up', { kind: 'whole-slots', slots: 0 }, [0]],
  ])('%s, %j', (text, score, expected) => {
    expect(told(`Main: ${text}`, score)).toEqual(expected);
  });

  test('partners take the list in turn: each has every second round of it', () => {
    const text = 'Main: turns of 2 in 4:00, reps 9-8-7-6, scored\nsquat';
    const person = (part: number): Bare => ({ kind: 'rounds+reps', rounds: 2, reps: 0, part });
    expect([told(text, person(1)), told(text, person(2))]).toEqual([
      [16, 16],
      [14, 14],
    ]);
  });

  test('as many as the clock shows, round by round', () => {
    const lines = ['10 squat', '8 push-up', '6/side reverse lunge', '2+2 sit-up', '3+1 burpee', '0:20 plank'];
    fc.assert(
      fc.property(
        fc.subarray(lines, { minLength: 1 }),
        fc.constantFrom('', ', reps 5-4-3', ', reps 9-7-5-3 cycling'),
        fc.integer({ min: 0, max: 12 }),
        (items, list, rounds) => {
          const text = `Main: amrap 9:00${list}\n${[...items, ...(list ? ['march'] : [])].join('\n')}`;
          const { plan, blocks } = analyseText(text, baseLibrary);
          const [span] = buildStages(plan, blocks).filter((s) => s.kind === 'span');
          let shown = 0;
          for (let round = 0; round < rounds; round++) for (const line of span!.lines) shown += repsShown(line, round);
          const own = scoreReps({ block: 0, kind: 'rounds+reps', rounds, reps: 0 }, blocks[0]!);
          expect([text, own?.total]).toEqual([text, shown]);
        },
      ),
      { numRuns: runs(400) },
    );
  });
});
