import type { FewerFrom, FewerReps } from './fewer.ts';
import { fewerReps, stepsFewer } from './fewer.ts';
import type { ShapeChange } from './shape-change.ts';
import type { Carried, FigureReps, Stage, StageLine } from './stage.ts';
import { carriedFigure, figureOf, hasWork, spokenStart } from './stage.ts';

/** So many numbers of a growing line are worked out when it no longer grows evenly. */
const MOST_TURNS = 100;

/** What was said of repetitions, by block. */
export function fewerOf(changes: readonly ShapeChange[]): FewerReps {
  const found: Record<number, FewerFrom[]> = {};
  for (const change of changes) if (change.kind === 'fewer') (found[change.block] ??= []).push(change.at);
  return found;
}

/** Repetitions after some steps fewer, in the way that they are shown; one number for both sides is split anew. */
function fewerFigure({ as, numbers, inPairs }: FigureReps, steps: number): FigureReps {
  const fewer = (n: number) => fewerReps(n, steps, inPairs);
  if (as !== 'halves' || numbers.length !== 2) return { as, numbers: numbers.map(fewer), ...(inPairs && { inPairs }) };
  const total = fewer(numbers.reduce((a, b) => a + b, 0));
  return { as, numbers: [Math.ceil(total / 2), Math.floor(total / 2)] };
}

/** A number that changes by round, with fewer from a turn on; a pyramid's stays, for its sets are stopped in when there is no more. */
function fewerCarried(carried: Carried, stepsAt: (turn: number) => number): Carried {
  switch (carried.kind) {
    case 'set':
      return carried;
    case 'list':
      return carried.cycling && stepsAt(0) !== stepsAt(MOST_TURNS)
        ? fewerCarried(listed(carried), stepsAt)
        : { ...carried, values: carried.values.map((n, turn) => fewerReps(n, stepsAt(turn))) };
    case 'growing':
      return fewerCarried(listed(carried), stepsAt);
  }
}

/** As a plain list of numbers, turn by turn. */
const listed = (carried: Carried): Carried => ({
  kind: 'list',
  values: Array.from({ length: MOST_TURNS }, (_, turn) => Number(carriedFigure(carried, turn, 0))),
  cycling: false,
});

/** The turn of its list that a stage is about, from 0, after so many taps where those count it. */
export const turnOf = ({ round }: Pick<Stage, 'round'>, taps: number): number => (round > 0 ? round - 1 : taps);

/** A stage with fewer repetitions, where some are owed: its number, those of its list, and what is asked for at its end. */
export function withFewer(stage: Stage, fewer: readonly FewerFrom[] | undefined): Stage {
  if (!fewer || fewer.length === 0 || !hasWork(stage)) return stage;
  const { set } = stage;
  const stepsAt = (turn: number, item: number) => stepsFewer(fewer, { set, turn, item });
  if (stage.lines.length > 0) {
    // Whoever does fewer from a round on has them before their eyes for the rest of the stretch.
    const now = stage.round > 0 ? stage.round - 1 : Math.max(0, ...fewer.map((f) => (f.set === set ? f.turn : 0)));
    const lines = stage.lines.map((line): StageLine => {
      if (line.carried)
        return withCarried(
          line,
          fewerCarried(line.carried, (turn) => stepsAt(turnOf(stage, turn), line.item)),
        );
      const reps = line.reps && fewerFigure(line.reps, stepsAt(now, line.item));
      return reps ? { ...line, reps, figure: figureOf(reps) } : line;
    });
    return { ...stage, lines, asks: stage.asks && askedWith(stage.asks, stage.lines, lines) };
  }
  const steps = stepsAt(turnOf(stage, 0), stage.item ?? 0);
  if (!stage.reps || steps === 0) return stage;
  const reps = fewerFigure(stage.reps, steps);
  const figure = figureOf(reps);
  const share = sumOf(reps) / Math.max(1, sumOf(stage.reps));
  return {
    ...stage,
    reps,
    figure,
    nextWords: spokenStart({ ...stage, figure }),
    tempo: stage.tempo && { ...stage.tempo, reps: stage.tempo.reps && Math.round(stage.tempo.reps * share) },
    ...(stage.ruledBy === 'own' && { durationSec: Math.max(1, Math.round(stage.durationSec * share)) }),
  };
}

const withCarried = (line: StageLine, carried: Carried): StageLine => ({
  ...line,
  carried,
  ...(carried.kind !== 'set' && { figure: carriedFigure(carried, 0, 0) }),
});

const sumOf = ({ numbers }: FigureReps): number => numbers.reduce((a, b) => a + b, 0);

/** The parts of a round that is asked for, as they are now. */
function askedWith(
  asks: NonNullable<Stage['asks']>,
  before: readonly StageLine[],
  after: readonly StageLine[],
): NonNullable<Stage['asks']> {
  if (!asks.round) return asks;
  const works = before.flatMap((line, i) => (line.movement === '' ? [] : [{ line, now: after[i]! }]));
  let end = 0;
  const round = asks.round.map((part, i) => {
    const { line, now } = works[i] ?? {};
    const own = part.reps - (asks.round![i - 1]?.reps ?? 0);
    if (!line?.reps || !now?.reps) return { ...part, reps: (end += own) };
    end += (own * sumOf(now.reps)) / sumOf(line.reps);
    return { words: `${now.figure} ${now.name}`, reps: end };
  });
  return { ...asks, round };
}
