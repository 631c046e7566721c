import { sum } from 'd3-array';
import type { ScoredWork } from '../../core/record/scores/relative-change.ts';
import { repsOfRound } from '../../core/record/scores/score-key.ts';
import { BoundedCache } from '../../core/bounded-cache.ts';
import type { SessionDocument } from '../../core/document/document.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { Lever } from '../../core/progress/levers/lever.ts';
import type { LoadGoal } from '../../core/record/scores/load.ts';
import type { SchoolId } from '../../core/progress/track/schools.ts';
import type { SchoolStep } from '../../core/progress/track/school-step.ts';
import { nextSteps } from '../../core/progress/track/school-step.ts';
import { loadFields, setsOf } from '../../core/record/scores/load.ts';
import { overranFields } from '../../core/record/scores/overran.ts';
import type { LineReps, OpenRound } from '../../core/record/scores/shared-total.ts';
import { lineReps, openRounds } from '../../core/record/scores/shared-total.ts';
import { fingerprint } from '../../core/record/scores/score-key.ts';
import { blockName } from '../../core/session/explain/explain.ts';
import type { SessionPlan } from '../../core/session/plan.ts';
import { computePlan } from '../../core/session/plan.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { shapeOf } from '../../core/forms/forms.ts';
import type { Db } from '../../db/pool.ts';
import { listVersionDocuments } from '../../db/queries/record.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';

/** What a sent version comes to, without its lines. */
export interface SentFacts {
  readonly title: string;
  /** Planned, 0 to 10; null where none was. */
  readonly effort: number | null;
  readonly likelySec: number;
  readonly workSec: number;
  /** Equal for the same work, whatever it is called. */
  readonly work: string;
  readonly retest: string | null;
  /** The form of its longest block of work: `every minute`. */
  readonly form: string;
  /** What is done with a weight, and asked of each set. */
  readonly loads: readonly {
    readonly block: number;
    readonly item: number;
    readonly movement: string;
    readonly name: string;
    readonly goal: LoadGoal;
    /** How many sets there are of it. */
    readonly sets: number;
  }[];
  /** What each school would make of it next; null where it leaves it. */
  readonly nextSteps: Readonly<Record<SchoolId, SchoolStep | null>>;
  /** Blocks with turns, each long enough for its work. */
  readonly turns: readonly {
    readonly block: number;
    readonly name: string;
    readonly turns: number;
    readonly lever: Lever;
  }[];
  /** Repetitions that are planned, by movement. */
  readonly reps: Readonly<Record<string, number>>;
  /** The same, line by line. */
  readonly lines: readonly LineReps[];
  /** Blocks of open rounds: what one has of each movement. */
  readonly openRounds: readonly OpenRound[];
  /** Blocks at one's own pace: their likely length, and the share of work that each movement has, by id. */
  readonly paced: readonly {
    readonly block: number;
    readonly likelySec: number;
    readonly shares: Readonly<Record<string, number>>;
  }[];
  /** Names of its movements. */
  readonly movements: readonly string[];
  readonly blocks: readonly ({ readonly name: string; readonly likelySec: number } & ScoredWork)[];
}

/** Facts by version and movements: versions never change. */
const known = new BoundedCache<string, SentFacts>(3000);

function factsOf(document: SessionDocument, plan: SessionPlan, library: MovementLibrary): SentFacts {
  const main = plan.blocks.reduce(
    (best, b, i) => (b.clockSec.likely > (plan.blocks[best]?.clockSec.likely ?? -1) ? i : best),
    0,
  );
  const block = document.blocks[main];
  return {
    title: sessionTitle(document),
    effort: document.effort ?? null,
    likelySec: plan.clockSec.likely,
    workSec: plan.workSec,
    work: fingerprint(JSON.stringify(document.blocks)),
    retest: document.retest ?? null,
    form: block ? shapeOf(block).name : '',
    movements: plan.movements.map((m) => m.name),
    paced: pacedBlocks(plan),
    reps: plan.reps,
    lines: lineReps(plan),
    openRounds: openRounds(document.blocks, library),
    loads: loadFields(document.blocks, library.scales).flatMap(({ block: b, item, movement, goal }) => {
      const known = library.findByName(movement);
      return goal && known
        ? [{ block: b, item, movement: known.id, name: known.name, goal, sets: setsOf(plan, b, item) }]
        : [];
    }),
    nextSteps: nextSteps(document, library),
    turns: overranFields(document.blocks, plan).map(({ block: b, label, turns }) => {
      const { label: own, role } = document.blocks[b]!;
      return { block: b, name: label, turns, lever: { kind: 'reps', in: own ?? role } };
    }),
    blocks: plan.blocks.map((b, i) => ({
      name: blockName(document.blocks[i] ?? { role: 'Main' }),
      likelySec: b.clockSec.likely,
      perRound: repsOfRound(document.blocks[i] ?? { items: [] }) ?? null,
      plannedReps: b.score === 'time' ? sum(Object.values(b.reps)) || null : null,
    })),
  };
}

function pacedBlocks(plan: SessionPlan): SentFacts['paced'] {
  return plan.blocks.flatMap((b, block) => {
    if (!b.estimated || b.sets !== 1) return [];
    const secs: Record<string, number> = {};
    for (const s of plan.timeline)
      if (s.block === block && s.movementId !== null && s.kind !== 'rest')
        secs[s.movementId] = (secs[s.movementId] ?? 0) + s.endSec - s.startSec;
    const total = Object.values(secs).reduce((a, c) => a + c, 0);
    if (total === 0) return [];
    const shares = Object.fromEntries(Object.entries(secs).map(([id, sec]) => [id, sec / total]));
    return [{ block, likelySec: b.clockSec.likely, shares }];
  });
}

/** What some sent versions come to; each is read and planned once. */
export async function sentFacts(
  db: Db,
  versionIds: readonly number[],
  { library, key }: WorkspaceBook,
): Promise<Map<number, SentFacts>> {
  const found = new Map<number, SentFacts>();
  const unknown = versionIds.filter((id) => {
    const facts = known.peek(`${id} ${key}`);
    if (facts) found.set(id, facts);
    return facts === undefined;
  });
  if (unknown.length === 0) return found;
  for (const [id, document] of await listVersionDocuments(db, unknown))
    found.set(
      id,
      known.get(`${id} ${key}`, () => factsOf(document, computePlan(document, library), library)),
    );
  return found;
}
