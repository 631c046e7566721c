import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { Temporal } from 'temporal-polyfill';
import { formatProgramme } from '../../core/exchange/writing/write-programme.ts';
import { getPlan } from '../../db/queries/plan.ts';
import { getProgramme } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { seedDemo } from '../../demo/seed.ts';
import { samePerson, sameRun } from '../recomputed/compare-fixture.ts';
import type { OursPerson } from '../recomputed/compare-fixture.ts';
import type { RawRun } from '../recomputed/recompute.ts';
import { runFigures } from '../recomputed/recompute.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase } from '../throwaway-database.ts';

/** A Wednesday afternoon, on which the demo has much behind it. */
const NOW_MS = Date.parse('2026-05-13T15:20:00Z');

let db: ThrowawayDatabase;
beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  await seedDemo(db, NOW_MS, 'demo-password');
}, 120_000);
afterAll(() => db.drop());

const text = (value: unknown): string => String(value);

/** A run of the demo as its rows stand, read past all of the project's own queries; what each session comes to is told by its plan. */
async function rawRun(
  runId: number,
  sums: ReadonlyMap<number, { likelySec: number; workSec: number; effort: number | null }>,
) {
  const ask = async (query: string) => (await db.owner.query<Record<string, unknown>>(query, [runId])).rows;
  const [run] = await ask(
    `select starts_on::text, to_char(release_time, 'HH24:MI') as at, release_zone, make_up_days, ended_on::text from run where id = $1`,
  );
  const days = await ask(
    `select d.id, d.week, d.weekday, min(v.sent_at) as first_sent, y.withdrawn_at
       from run r join day d on d.programme_id = r.programme_id
       left join version v on v.day_id = d.id and v.run_id = r.id left join run_day y on y.day_id = d.id and y.run_id = r.id
      where r.id = $1 group by d.id, d.week, d.weekday, y.withdrawn_at order by d.week, d.weekday`,
  );
  const people = await ask(
    `select e.id, p.time_zone, e.joined_on::text, e.left_on::text, e.starts_on::text, e.weekdays from enrolment e join person p on p.id = e.person_id where e.run_id = $1 order by e.id`,
  );
  const absences = await ask(
    'select a.enrolment_id, a.from_on::text, a.to_on::text from absence a join enrolment e on e.id = a.enrolment_id where e.run_id = $1',
  );
  const records = await ask(
    `select c.enrolment_id, v.day_id, c.outcome, c.share_ratio, c.effort, c.made_at from record c join version v on v.id = c.version_id where v.run_id = $1 order by c.id`,
  );
  expect(people.every((p) => p.weekdays === null)).toBe(true);
  const raw: RawRun = {
    nowMs: NOW_MS,
    startsOn: text(run!.starts_on),
    releaseTime: text(run!.at),
    releaseZone: run!.release_zone as string | null,
    makeUpDays: run!.make_up_days as number | null,
    days: days.map((d) => ({
      week: Number(d.week),
      weekday: Number(d.weekday),
      sent: d.first_sent !== null && d.withdrawn_at === null,
      firstSentMs: d.first_sent === null ? 0 : (d.first_sent as Date).getTime(),
      effort: sums.get(Number(d.id))?.effort ?? null,
      likelySec: sums.get(Number(d.id))?.likelySec ?? 0,
      workSec: sums.get(Number(d.id))?.workSec ?? 1,
    })),
    people: people.map((p) => ({
      zone: text(p.time_zone),
      joinedOn: text(p.joined_on),
      leftOn: p.left_on as string | null,
      startsOn: p.starts_on as string | null,
      absences: absences
        .filter((a) => a.enrolment_id === p.id)
        .map((a) => ({ from: text(a.from_on), to: a.to_on as string | null })),
      records: records
        .filter((c) => c.enrolment_id === p.id)
        .map((c) => ({
          day: days.findIndex((d) => d.id === c.day_id),
          outcome: c.outcome as 'done',
          share: Number(c.share_ratio),
          effort: c.effort as number | null,
          madeAtMs: (c.made_at as Date).getTime(),
        })),
    })),
  };
  return { raw, enrolments: people.map((p) => Number(p.id)) };
}

test('both demos come to the same twice: by the project, and from their rows by the page of formulas alone', async () => {
  const { loadRunFollow } = await import('../../server/follow-up/run-follow.ts');
  const { loadInsights } = await import('../../server/follow-up/run-insights.ts');
  const { rows: runs } = await db.owner.query<{ id: number; workspace_id: number; programme_id: number }>(
    'select r.id, r.workspace_id, r.programme_id from run r where exists (select from enrolment e where e.run_id = r.id) order by r.id',
  );
  expect(runs.length).toBe(2);
  for (const run of runs)
    await withWorkspace(db.pool, run.workspace_id, async (c) => {
      const programme = await getProgramme(c, run.programme_id, { now: new Date(NOW_MS) });
      const follow = await loadRunFollow(c, programme, NOW_MS);
      const insights = await loadInsights(c, programme, { now: NOW_MS });
      const sums = new Map(
        follow.days.map((d) => [
          d.dayId,
          { likelySec: d.facts?.likelySec ?? 0, workSec: d.facts?.workSec ?? 1, effort: d.facts?.effort ?? null },
        ]),
      );
      const { raw, enrolments } = await rawRun(run.id, sums);
      const byId = new Map(follow.people.map((p) => [p.enrolmentId, p]));
      const people = enrolments.map((id): OursPerson => {
        const p = byId.get(id)!;
        return { ...p, dates: p.calendar.dates, today: p.calendar.today };
      });
      for (const [i, person] of people.entries()) samePerson(raw, i, person);
      const days = follow.days.map((d) => ({
        dayId: d.dayId,
        key: `w${d.week}d${d.weekday}`,
        week: d.week,
        weekdayName: '',
        title: '',
        form: '',
        theme: '',
        likelySec: d.facts?.likelySec ?? 0,
        planned: d.facts?.effort ?? null,
      }));
      sameRun(raw, { days, people, lostAfter: follow.lostAfter });
      // What the pages show is that.
      const theirs = runFigures(raw);
      expect([insights.attendance?.count, insights.attendance?.of, insights.dropOff.gone]).toEqual([
        theirs.done,
        theirs.due,
        theirs.gone,
      ]);
      expect(insights.felt.map((f) => [f.said, f.mean])).toEqual(theirs.felt.map((f) => [f.said, f.mean]));
      expect(insights.retention.here).toBe(theirs.people.filter((p) => p.isHere).length);
      expect(Temporal.PlainDate.from(raw.startsOn).dayOfWeek).toBe(1);
    });
}, 60_000);

test('the demos show whoever a coach must see: gone quiet, back, left, away, too hard, too easy', async () => {
  const { loadRunFollow } = await import('../../server/follow-up/run-follow.ts');
  const { rows: runs } = await db.owner.query<{ workspace_id: number; programme_id: number }>(
    'select r.workspace_id, r.programme_id from run r where exists (select from enrolment e where e.run_id = r.id) order by r.id',
  );
  for (const run of runs)
    await withWorkspace(db.pool, run.workspace_id, async (c) => {
      const programme = await getProgramme(c, run.programme_id, { now: new Date(NOW_MS) });
      const { people } = await loadRunFollow(c, programme, NOW_MS);
      const codes = new Set(people.flatMap((p) => p.items.map((i) => i.code)));
      for (const code of ['missed-in-a-row', 'felt-above', 'felt-below'] as const) expect([...codes]).toContain(code);
      expect(people.some((p) => p.leftOn !== null)).toBe(true);
      expect(people.some((p) => p.states.includes('excused'))).toBe(true);
      // Nobody is asked about two out of three: a list that long is read by nobody.
      const worried = people.filter((p) => p.items.some((i) => !['back', 'best-score', 'first-week'].includes(i.code)));
      expect(worried.length).toBeLessThan(people.length / 2);
    });
});

test('every document that the demo makes is valid by the schema that is published of it', async () => {
  const ajv = new Ajv2020({ strict: true, allErrors: false });
  ajv.addFormat('date', (v: string) => /^\d{4}-\d{2}-\d{2}$/.test(v));
  const errorsOf = (name: string) => {
    const validate = ajv.compile(JSON.parse(readFileSync(`docs/${name}.schema.json`, 'utf8')) as object);
    return (value: unknown) => (validate(JSON.parse(JSON.stringify(value))) ? [] : validate.errors);
  };
  const [session, programme, movement] = ['session', 'programme', 'movement'].map(errorsOf) as [
    ReturnType<typeof errorsOf>,
    ReturnType<typeof errorsOf>,
    ReturnType<typeof errorsOf>,
  ];
  const { rows: versions } = await db.owner.query<{ id: number; document: unknown }>(
    'select id, document from version',
  );
  expect(versions.length).toBeGreaterThan(30);
  for (const { id, document } of versions) expect([id, session(document)]).toEqual([id, []]);
  const { rows: runs } = await db.owner.query<{ id: number; programme_id: number; workspace_id: number }>(
    'select id, programme_id, workspace_id from run',
  );
  for (const { id: runId, programme_id: id, workspace_id: workspaceId } of runs) {
    const plan = await withWorkspace(db.pool, workspaceId, (c) => getPlan(c, { id, runId }));
    expect([id, programme(JSON.parse(formatProgramme(plan.programme)))]).toEqual([id, []]);
  }
  const { loadWorkspaceBook } = await import('../../server/write/workspace-book.ts');
  for (const workspaceId of new Set(runs.map((r) => r.workspace_id))) {
    const { library } = await withWorkspace(db.pool, workspaceId, loadWorkspaceBook);
    for (const m of library.movements) expect([m.id, movement(m)]).toEqual([m.id, []]);
  }
});
