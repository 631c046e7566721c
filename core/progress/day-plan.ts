import { sessionTitle } from '../session/session-title.ts';
import type { Area, Joint, Pattern } from '../movement/movement.ts';
import { areaOf, loadsWrists } from '../movement/movement.ts';
import { parseSession } from '../notation/read-session.ts';
import type { EstimateSec } from '../pace/pace.ts';
import type { SessionDocument } from '../document/document.ts';
import { blockName } from '../session/explain/explain.ts';
import type { ScoreKind, SessionPlan } from '../session/plan.ts';
import { computePlan } from '../session/plan.ts';
import type { ProgressScope } from './track/build-track.ts';
import { sessionLoad } from './week/training-load.ts';

/** From this planned effort on a session is called hard (0 to 10; 7 to 8 is vigorous on the scale of the US guideline, from memory). */
export const HARD_EFFORT = 7;
const STRENGTH_PATTERNS: readonly Pattern[] = ['squat', 'hinge', 'lunge', 'push', 'press', 'pull', 'carry'];
/** Half of a session's work in strength patterns makes it a strength session (common practice, no source). */
const STRENGTH_RATIO = 0.5;
/** Joints that neighbouring days are looked at for. */
export const WATCHED_JOINTS = ['wrist', 'shoulder', 'knee'] as const satisfies readonly Joint[];
export type WatchedJoint = (typeof WATCHED_JOINTS)[number];

/** What a session's text comes to for the programme. */
export interface DayPlan {
  /** Empty only where nothing of it can be read yet. */
  readonly title: string;
  readonly document: SessionDocument;
  readonly plan: SessionPlan;
  readonly errors: number;
  readonly clockSec: EstimateSec;
  readonly workSec: number;
  readonly effort: number | undefined;
  /** Planned load in arbitrary units; undefined where no effort is planned. */
  readonly loadAu: number | undefined;
  readonly repsByPattern: Readonly<Partial<Record<Pattern, number>>>;
  readonly repsByArea: Readonly<Partial<Record<Area, number>>>;
  /** Likely seconds of work by area. */
  readonly workByArea: Readonly<Partial<Record<Area, number>>>;
  /** Likely seconds of work that ask much of a joint (grade 2 or 3). */
  readonly workByJoint: Readonly<Record<WatchedJoint, number>>;
  readonly isHard: boolean;
  readonly isStrength: boolean;
  readonly retest: string | undefined;
  /** What a retest compares: the scored blocks. */
  readonly scores: readonly { readonly block: string; readonly score: ScoreKind }[];
}

const add = <K extends string>(sums: Partial<Record<K, number>>, key: K, by: number) => {
  sums[key] = (sums[key] ?? 0) + by;
};

/** What a session comes to. `errors` is the number of lines that couldn't be read. */
export function computeDayPlan(
  document: SessionDocument,
  errors: number,
  { library, routines }: ProgressScope,
): DayPlan {
  const plan = computePlan(document, library, routines);
  const repsByPattern: Partial<Record<Pattern, number>> = {};
  const repsByArea: Partial<Record<Area, number>> = {};
  const workByArea: Partial<Record<Area, number>> = {};
  const workByJoint: Record<WatchedJoint, number> = { wrist: 0, shoulder: 0, knee: 0 };
  for (const [id, count] of Object.entries(plan.reps)) {
    const movement = library.find(id);
    if (!movement) continue;
    add(repsByPattern, movement.pattern, count);
    add(repsByArea, areaOf(movement), count);
  }
  let knownSec = 0;
  let strengthSec = 0;
  const addWork = (movementId: string | null, sec: number) => {
    const movement = movementId === null ? undefined : library.find(movementId);
    if (!movement) return;
    knownSec += sec;
    if (STRENGTH_PATTERNS.includes(movement.pattern)) strengthSec += sec;
    add(workByArea, areaOf(movement), sec);
    for (const joint of WATCHED_JOINTS)
      if (joint === 'wrist' ? loadsWrists(movement) : movement.demand[joint] >= 2 && movement.pattern !== 'mobility')
        workByJoint[joint] += sec;
  };
  for (const s of plan.timeline) {
    if (s.kind === 'rest') continue;
    if (s.expected && s.movementId === null)
      for (const part of s.expected) addWork(part.kind === 'rest' ? null : part.movementId, part.sec.likely);
    else addWork(s.movementId, s.endSec - s.startSec);
  }
  return {
    title: sessionTitle(document),
    document,
    plan,
    errors,
    clockSec: plan.clockSec,
    workSec: plan.workSec,
    effort: document.effort,
    loadAu: sessionLoad(document.effort, plan.clockSec.likely),
    repsByPattern,
    repsByArea,
    workByArea,
    workByJoint,
    isHard: (document.effort ?? 0) >= HARD_EFFORT,
    isStrength: knownSec > 0 && strengthSec / knownSec >= STRENGTH_RATIO,
    retest: document.retest,
    scores: plan.blocks.flatMap((b) => (b.score === 'none' ? [] : [{ block: blockName(b), score: b.score }])),
  };
}

/** Day plans by text, newest kept. */
export interface DayPlanner {
  readonly scope: ProgressScope;
  /** The plan of a text; undefined where there is none yet. */
  of(text: string): DayPlan | undefined;
  /** As `of`, for a text whose document is known already. */
  ofKnown(text: string, document: SessionDocument): DayPlan;
}

/** Texts remembered by one planner. */
const MAX_KEPT = 2000;

export function createDayPlanner(scope: ProgressScope): DayPlanner {
  const kept = new Map<string, DayPlan>();
  const keep = (text: string, make: () => DayPlan): DayPlan => {
    const known = kept.get(text);
    if (known) return known;
    const made = make();
    if (kept.size >= MAX_KEPT) kept.delete(kept.keys().next().value!);
    kept.set(text, made);
    return made;
  };
  return {
    scope,
    of: (text) =>
      text.trim() === ''
        ? undefined
        : keep(text, () => {
            const { document, issues } = parseSession(text, scope.library);
            return computeDayPlan(document, issues.length, scope);
          }),
    ofKnown: (text, document) => keep(text, () => computeDayPlan(document, 0, scope)),
  };
}
