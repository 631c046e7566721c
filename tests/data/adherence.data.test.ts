import { afterAll, beforeAll, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, insertVersion, listDays } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { seededRandom } from '../../demo/random.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

const START = '2026-03-09' as DayDate;
const ZONES = ['Europe/Lisbon', 'America/New_York', 'Asia/Kathmandu', 'Australia/Lord_Howe', 'Pacific/Auckland', 'UTC'];
const PEOPLE = 350;
const RUNS = 4;
/** Around the days on which clocks change in Lisbon, New York and Lord Howe. */
const INSTANTS = [
  '2026-03-08T12:00:00Z',
  '2026-03-29T00:59:00Z',
  '2026-04-04T15:15:00Z',
  '2026-04-20T09:00:00Z',
  '2026-06-01T00:00:00Z',
];

let db: ThrowawayDatabase;
let workspaceId: number;
let programmeId: number;
const runIds: number[] = [];

/**
 * Histories by chance: zones, own day 1s and weekdays, late joiners, leavers, pauses and excused days, days unsent, withdrawn or sent
 * anew or too late, held back, outages, windows, records in time, late, corrected, in part, of days that weren't owed.
 */
beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  ({ workspaceId } = await makeWorkspace(db.owner, 'adherence'));
  const random = seededRandom(2026);
  const below = (n: number) => Math.floor(random() * n);
  await withWorkspace(db.pool, workspaceId, async (c) => {
    programmeId = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings', weeks: 6, weekdays: [1, 3, 4, 6] }),
      startsOn: START,
      now: new Date(START),
    });
    runIds.push((await getProgramme(c, programmeId, { now: new Date(START) })).runId);
  });
  for (let i = 1; i < RUNS; i++) {
    const { rows } = await db.owner.query<{ id: number }>(
      `insert into run (workspace_id, programme_id, title, starts_on, release_time, release_zone, make_up_days, ended_on)
       values ($1, $2, $3, $4, $5, $6, $7, $8) returning id`,
      [
        workspaceId,
        programmeId,
        `run ${i}`,
        addDays(START, i),
        i === 1 ? '01:30' : '23:45',
        i === 2 ? 'America/New_York' : null,
        i === 1 ? 2 : i === 3 ? 0 : null,
        i === 3 ? addDays(START, 30) : null,
      ],
    );
    runIds.push(rows[0]!.id);
  }
  const texts = [
    'Main: amrap 10:00\n5 squat',
    'Main: work 0:40 rest 0:20, 5 rounds\nsquat',
    'Main: 3 rounds\n10 march',
  ];
  for (const runId of runIds) {
    const versions: { dayId: number; ids: number[] }[] = [];
    await withWorkspace(db.pool, workspaceId, async (c) => {
      const days = await listDays(c, { id: programmeId, runId });
      for (const day of days) {
        if (random() < 0.12) continue;
        const ids: number[] = [];
        for (let number = 1; number <= (random() < 0.2 ? 2 : 1); number++) {
          const text = texts[below(3)]!;
          const id = await insertVersion(c, {
            workspaceId,
            runId,
            dayId: day.id,
            number,
            text,
            document: parseSession(text, baseLibrary).document,
            changeNote: '',
            coachId: null,
            // Now and then days after its own.
            now: new Date(Date.parse(START) + (random() < 0.15 ? below(45) * 86_400_000 : 0)),
          });
          ids.push(id!);
        }
        versions.push({ dayId: day.id, ids });
        if (random() < 0.1)
          await c.query('insert into run_day (workspace_id, run_id, day_id, withdrawn_at) values ($1, $2, $3, now())', [
            workspaceId,
            runId,
            day.id,
          ]);
      }
    });
    const people = Array.from({ length: PEOPLE }, (_, i) => ({
      name: `P${i}`,
      zone: ZONES[below(ZONES.length)]!,
      joined: addDays(START, below(3) === 0 ? below(30) : -3),
      starts: below(4) === 0 ? addDays(START, below(20)) : null,
      weekdays: below(4) === 0 ? [1, 2, 3, 4, 5, 6, 7].filter(() => random() < 0.5) : null,
      left: below(8) === 0 ? addDays(START, below(50)) : null,
    }));
    const enrolled: number[] = [];
    for (const p of people) {
      const { rows } = await db.owner.query<{ id: number }>(
        `with n as (insert into person (workspace_id, name, time_zone) values ($1, $2, $3) returning id)
         insert into enrolment (workspace_id, run_id, person_id, joined_on, starts_on, weekdays, left_on)
         select $1, $4, n.id, $5, $6, $7, $8 from n returning id`,
        [workspaceId, p.name, p.zone, runId, p.joined, p.starts, p.weekdays, p.left],
      );
      enrolled.push(rows[0]!.id);
    }
    const stops: unknown[] = [];
    const records: unknown[] = [];
    const absences: unknown[] = [];
    for (const enrolmentId of enrolled) {
      for (let i = below(3); i > 0; i--) {
        const from = addDays(START, below(45));
        absences.push({
          e: enrolmentId,
          kind: below(2) ? 'pause' : 'excused',
          from,
          to: below(4) === 0 ? null : addDays(from, below(6)),
        });
      }
      if (below(5) === 0)
        stops.push({
          e: enrolmentId,
          d: versions[below(versions.length)]!.dayId,
          from: new Date(Date.parse(START) + below(30) * 12 * 3600_000),
          to: below(2) ? null : new Date(Date.parse(START) + (30 + below(60)) * 12 * 3600_000),
        });
      const keen = random();
      for (const { ids } of versions)
        for (let said = random() < keen ? 1 + below(2) : 0; said > 0; said--) {
          const outcome = (['done', 'done', 'part', 'not-done'] as const)[below(4)]!;
          records.push({
            e: enrolmentId,
            v: ids[below(ids.length)],
            outcome,
            share: outcome === 'done' ? 1 : outcome === 'part' ? below(101) / 100 : 0,
            // Whole half days from the start: on the very edges of windows too.
            made: new Date(Date.parse(START) + below(180) * 12 * 3600_000),
          });
        }
    }
    await db.owner.query(
      `insert into absence (workspace_id, enrolment_id, kind, from_on, to_on, said_by, made_at)
       select $1, x.e, x.kind, x."from", x."to", 'coach', now() from jsonb_to_recordset($2::jsonb) as x(e bigint, kind text, "from" date, "to" date)`,
      [workspaceId, JSON.stringify(absences)],
    );
    await db.owner.query(
      `insert into release_stop (workspace_id, enrolment_id, day_id, kind, made_at, until)
       select $1, x.e, x.d, 'held', x."from", x."to" from jsonb_to_recordset($2::jsonb) as x(e bigint, d bigint, "from" timestamptz, "to" timestamptz)`,
      [workspaceId, JSON.stringify(stops)],
    );
    await db.owner.query(
      `insert into record (workspace_id, enrolment_id, version_id, client_id, outcome, share_ratio, effort, made_at, logged_at)
       select $1, x.e, x.v, gen_random_uuid(), x.outcome, x.share, 5, x.made, x.made
       from jsonb_to_recordset($2::jsonb) as x(e bigint, v bigint, outcome text, share real, made timestamptz)`,
      [workspaceId, JSON.stringify(records)],
    );
  }
  // Workers were away for two days and a half, the pages for a day and some hours.
  await db.owner.query(
    `insert into outage (kind, from_at, to_at) values
       ('work', '2026-03-17T22:00:00Z', '2026-03-20T10:00:00Z'), ('serve', '2026-04-01T03:00:00Z', '2026-04-02T09:30:00Z')`,
  );
  await db.owner.query('analyze');
}, 120_000);

afterAll(() => db.drop());

test('the database counts what the core counts, for thousands of histories at five instants', async () => {
  const { loadAdherence } = await import('../../server/follow-up/run-adherence.ts');
  const { loadRunFollow } = await import('../../server/follow-up/run-follow.ts');
  let compared = 0;
  const seen = { bonus: 0, late: 0, part: 0, rows: 0, notDue: 0 };
  for (const now of INSTANTS) {
    for (const runId of runIds) {
      await withWorkspace(db.pool, workspaceId, async (c) => {
        const programme = await getProgramme(c, programmeId, { now: new Date(now), runId });
        const counted = await loadAdherence(c, programme, Date.parse(now));
        const { people } = await loadRunFollow(c, programme, Date.parse(now));
        for (const p of people) {
          expect({ run: runId, now, id: p.enrolmentId, ...counted.get(p.enrolmentId) }).toEqual({
            run: runId,
            now,
            id: p.enrolmentId,
            ...p.adherence,
          });
          compared++;
          seen.bonus += p.adherence.bonus;
          seen.part += p.adherence.inPart;
          seen.notDue += p.states.filter((s) => s === 'not-due').length;
          seen.late += p.states.filter((s) => s === 'late').length;
          seen.rows = Math.max(seen.rows, p.adherence.longestRow);
        }
      });
    }
  }
  expect(compared).toBe(PEOPLE * RUNS * INSTANTS.length);
  // The histories hold what they are for.
  expect(seen.bonus).toBeGreaterThan(500);
  expect(seen.late).toBeGreaterThan(50);
  expect(seen.part).toBeGreaterThan(500);
  expect(seen.notDue).toBeGreaterThan(2000);
  expect(seen.rows).toBeGreaterThan(6);
}, 120_000);

test('what stands follows from the records alone', async () => {
  const STANDS = `select distinct on (r.enrolment_id, v.day_id) r.enrolment_id, v.day_id, r.id as record_id, v.run_id, r.outcome, r.share_ratio
    from record r join version v on v.id = r.version_id order by r.enrolment_id, v.day_id, r.made_at desc, r.id desc`;
  const KEPT = 'select enrolment_id, day_id, record_id, run_id, outcome, share_ratio from standing';
  for (const [a, b] of [
    [STANDS, KEPT],
    [KEPT, STANDS],
  ]) {
    const { rows } = await db.owner.query(`(${a}) except (${b})`);
    expect(rows).toEqual([]);
  }
});
