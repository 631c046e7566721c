import { DAY_MS } from '../../core/calendar/spans.ts';
/** Follow up of a run with many people: strands, attention and insights, cold and warm, against a plain count over the same rows. */
import pg from 'pg';
import type { DayDate } from '../../core/calendar/day.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { migrate } from '../../db/migrate.ts';
import { createPool } from '../../db/pool.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, insertVersion, listDays } from '../../db/queries/programme.ts';
import { insertWorkspace } from '../../db/queries/doors/workspace.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { loadAdherence } from '../../server/follow-up/run-adherence.ts';
import { loadRunFollow } from '../../server/follow-up/run-follow.ts';
import { loadInsights } from '../../server/follow-up/run-insights.ts';
import { removeData, startCluster } from '../parts/cluster.ts';

const START = '2026-02-02' as DayDate;
/** Twelve weeks later, all 84 days are over. */
const NOW = Date.parse('2026-04-28T12:00:00Z');
const ZONES = ['Pacific/Auckland', 'Asia/Tokyo', 'Europe/Vienna', 'Europe/Lisbon', 'America/New_York'];
const WARM_RUNS = 5;

export interface FollowRow {
  readonly people: number;
  readonly records: number;
  /** `count(*)` over what stands. */
  readonly countMs: number;
  /** Strands, adherence and attention of everybody: the first time in a process, on another day, and with nothing changed. */
  readonly coldMs: number;
  readonly warmMs: number;
  readonly sameMs: number;
  /** As warm, with one record more since. */
  readonly grownMs: number;
  readonly insightsMs: number;
  /** The sums alone, by the database. */
  readonly sumsMs: number;
}

const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Measures a run of so many people and 84 daily sessions, four of five of them done. */
export async function measureFollow(people: number): Promise<FollowRow> {
  const cluster = await startCluster('.local/bench-follow', { what: 'a bench', fresh: removeData });
  try {
    await cluster.createDatabase('bench');
    await migrate(cluster.ownerUrl('bench'));
    const owner = new pg.Client({ connectionString: cluster.ownerUrl('bench') });
    await owner.connect();
    await insertWorkspace(owner, { workspace: 'Bench', email: 'coach@example.org', name: 'Coach', passwordHash: 'x' });
    const workspaceId = (await owner.query<{ id: number }>('select id from workspace')).rows[0]!.id;
    const pool = createPool(cluster.appUrl('bench'), 4);
    const inWorkspace = <T>(work: (db: pg.PoolClient) => Promise<T>) => withWorkspace(pool, workspaceId, work);
    const now = new Date(NOW);
    const { programmeId, runId } = await inWorkspace(async (db) => {
      const id = await insertProgramme(db, {
        workspaceId,
        programme: emptyProgramme({ title: 'Mornings', weeks: 12, weekdays: [1, 2, 3, 4, 5, 6, 7] }),
        startsOn: START,
        now,
      });
      const programme = await getProgramme(db, id, { now });
      for (const [i, day] of (await listDays(db, programme)).entries()) {
        const text = `Title: Day ${i % 7}\nEffort: ${4 + (i % 4)}\n${i % 28 === 0 ? 'Retest: engine\n' : ''}\nMain (A): amrap 12:00\n${5 + (i % 7)} squat\n8 push-up\n`;
        await insertVersion(db, {
          workspaceId,
          runId: programme.runId,
          dayId: day.id,
          number: 1,
          text,
          document: parseSession(text, baseLibrary).document,
          changeNote: '',
          coachId: null,
          now,
        });
      }
      return { programmeId: id, runId: programme.runId };
    });
    await owner.query(
      `with p as (
         insert into person (workspace_id, name, detail, time_zone)
         select $1, 'P' || i, 'team ' || i % 9, ($3::text[])[1 + i % 5] from generate_series(1, $4) i returning id)
       insert into enrolment (workspace_id, run_id, person_id, joined_on) select $1, $2, id, $5 from p`,
      [workspaceId, runId, ZONES, people, START],
    );
    await owner.query(
      `insert into record (workspace_id, enrolment_id, version_id, client_id, outcome, share_ratio, effort, scores, made_at, logged_at)
       select $1, e.id, v.id, gen_random_uuid(), case when h < 12 then 'part' else 'done' end, case when h < 12 then 0.5 else 1 end, 3 + h % 6,
         case when v.document ->> 'retest' is not null then jsonb_build_array(jsonb_build_object('kind', 'rounds+reps', 'block', 0, 'rounds', 5 + h % 5, 'reps', h % 9)) else '[]' end, at, at
       from (
         select e.id, v.id as version_id, abs(hashint8(e.id * 977 + v.id)) % 100 as h, $2::date::timestamptz + (v.id % 84) * interval '1 day' as at
         from enrolment e cross join version v
       ) x join enrolment e on e.id = x.id join version v on v.id = x.version_id
       where h < 82`,
      [workspaceId, START],
    );
    await owner.query('vacuum analyze');
    const programme = await inWorkspace((db) => getProgramme(db, programmeId, { now }));
    const timed = async (work: (db: pg.PoolClient) => Promise<unknown>): Promise<number> =>
      inWorkspace(async (db) => {
        const startedMs = performance.now();
        await work(db);
        return performance.now() - startedMs;
      });
    const several = async (work: (db: pg.PoolClient, run: number) => Promise<unknown>) => {
      const taken: number[] = [];
      for (let i = 0; i < WARM_RUNS; i++) taken.push(await timed((db) => work(db, i)));
      return median(taken);
    };
    // Another day each time, so that what was found on the last is of no use.
    const dayOf = (run: number) => NOW + (run % 2 === 0 ? 1 : 2) * DAY_MS;
    const { rows } = await owner.query<{ count: number }>('select count(*)::integer as count from standing');
    const countMs = await several((db) => db.query('select count(*) from standing where run_id = $1', [runId]));
    const coldMs = await timed((db) => loadRunFollow(db, programme, NOW));
    const warmMs = await several((db, run) => loadRunFollow(db, programme, dayOf(run)));
    const sameMs = await several((db) => loadRunFollow(db, programme, NOW));
    await owner.query(
      `insert into record (workspace_id, enrolment_id, version_id, client_id, outcome, share_ratio, effort, made_at, logged_at)
       select workspace_id, enrolment_id, version_id, gen_random_uuid(), 'done', 1, 5, now(), now() from record limit 1`,
    );
    const grownMs = await timed((db) => loadRunFollow(db, programme, NOW));
    const insightsMs = await several((db, run) => loadInsights(db, programme, { now: dayOf(run) }));
    const sumsMs = await several((db) => loadAdherence(db, programme, NOW));
    await pool.end();
    await owner.end();
    return { people, records: rows[0]!.count, countMs, coldMs, warmMs, sameMs, grownMs, insightsMs, sumsMs };
  } finally {
    await cluster.dropDatabase('bench');
    cluster.stop();
  }
}
