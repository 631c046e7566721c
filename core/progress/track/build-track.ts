import type { MovementLibrary } from '../../movement/library.ts';
import type { ReadText } from '../../notation/rewrite.ts';
import { turnRoutineLines, turnRoutines } from '../../notation/next-routine.ts';
import { rewriteText } from '../../notation/rewrite.ts';
import { parseSession } from '../../notation/read-session.ts';
import type { SessionDocument } from '../../document/document.ts';
import { computePlan } from '../../session/plan.ts';
import type { Routines } from '../../session/resolve.ts';
import { applyPulls, sumPulls } from '../levers/apply-lever.ts';
import { meansItem } from '../levers/lever-action.ts';
import type { Lever } from '../levers/lever.ts';
import type { Track } from '../programme-document.ts';
import type { LeverRule, Pull } from './schedule.ts';
import { pullsAt } from './schedule.ts';

/** What texts are read and planned with. */
export interface ProgressScope {
  readonly library: MovementLibrary;
  readonly routines: Routines;
}

/** A track, its session read once. */
export interface ReadTrack extends ReadText {
  readonly track: Track;
  /** Steps that each `until-length` rule can go, by its place among the levers. */
  readonly mostSteps: readonly (number | undefined)[];
  readonly baseReps: readonly (number | undefined)[];
  /** Lines that can't be read. */
  readonly issues: number;
  readonly scope: ProgressScope;
}

/** A track's session in one week of the progression. */
export interface TrackWeek {
  readonly week: number;
  readonly isLighter: boolean;
  readonly pulls: readonly Pull[];
  readonly document: SessionDocument;
  readonly text: string;
}

/** Weeks that a length can be grown towards. */
const MAX_STEPS = 52;

/** Reads a track's session, and how far each rule can go in it. */
export function readTrack(track: Track, scope: ProgressScope): ReadTrack {
  const { document, source, issues } = parseSession(track.text, scope.library);
  return {
    track,
    text: track.text,
    document,
    source,
    scope,
    issues: issues.length,
    mostSteps: track.levers.map((rule) =>
      rule.schedule.kind === 'until-length' ? countSteps(document, rule.lever, rule.schedule, scope) : undefined,
    ),
    baseReps: track.levers.map((rule) =>
      rule.schedule.kind === 'double' ? findBaseReps(document, rule.lever, scope.library) : undefined,
    ),
  };
}

/** How often `by` fits in before the session is likely to last longer than `sec` (or, where it shrinks, shorter). */
function countSteps(
  document: SessionDocument,
  lever: Lever,
  { by, sec }: { by: number; sec: number },
  { library, routines }: ProgressScope,
): number {
  const lengthAt = (steps: number) =>
    computePlan(applyPulls(document, [{ lever, by: by * steps }], library), library, routines).clockSec.likely;
  const grows = lengthAt(1) >= lengthAt(0);
  let steps = 0;
  while (steps < MAX_STEPS && (grows ? lengthAt(steps + 1) <= sec : lengthAt(steps + 1) >= sec)) steps++;
  return steps;
}

/** The smallest written number of what the lever means: a double progression starts there. */
function findBaseReps(document: SessionDocument, lever: Lever, library: MovementLibrary): number | undefined {
  const numbers = document.blocks
    .filter((b) => b.role !== 'Warm-up' && b.role !== 'Cool-down')
    .flatMap((b) =>
      b.items.flatMap((item) =>
        item.kind === 'work' &&
        meansItem(lever, item, library) &&
        item.dose?.kind === 'reps' &&
        item.dose.amount.kind === 'fixed'
          ? [item.dose.amount.value]
          : [],
      ),
    );
  return numbers.length === 0 ? undefined : Math.min(...numbers);
}

/** The offsets of all of a track's levers in a week, those at the same lever added up. */
export function trackPulls(read: ReadTrack, week: number, lighter: readonly number[]): Pull[] {
  return sumPulls(
    read.track.levers.flatMap((rule: LeverRule, i) =>
      pullsAt(rule, week, { lighter, baseReps: read.baseReps[i], mostSteps: read.mostSteps[i] }),
    ),
  );
}

/** A track's session in a week of the progression: its text with the levers pulled. Week 1 without offsets is the text itself. */
export function buildTrackWeek(read: ReadTrack, week: number, lighter: readonly number[]): TrackWeek {
  const pulls = trackPulls(read, week, lighter);
  const pulled = applyPulls(read.document, pulls, read.scope.library);
  return {
    week,
    isLighter: lighter.includes(week),
    pulls,
    document: turnRoutines(pulled, week - 1),
    text: turnRoutineLines(rewriteText(read, pulled, read.scope.library), week - 1),
  };
}
