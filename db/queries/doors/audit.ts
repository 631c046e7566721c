import type { AuditKind } from '../../../core/audit.ts';
import type { Db } from '../../pool.ts';

export interface AuditEntry {
  readonly workspaceId: number;
  /** Who did it; null where that is not known. */
  readonly coachId: number | null;
  readonly kind: AuditKind;
  readonly personId?: number;
  /** Instead of the person: their place in a run. */
  readonly enrolmentId?: number;
  readonly programmeId?: number;
  /** What more there is to say; never what a person said or wrote. */
  readonly detail?: string;
  readonly now: Date;
}

const MOST_LETTERS = 300;

export async function insertAudit(db: Db, e: AuditEntry): Promise<void> {
  await db.query(
    `insert into audit (workspace_id, at, coach_id, kind, person_id, programme_id, detail)
     select $1::bigint, $2::timestamptz, $3::bigint, $4::text, coalesce($5::bigint, (select person_id from enrolment where id = $8::bigint)), $6::bigint, $7::text`,
    [...values(e), e.enrolmentId ?? null],
  );
}

/** The same about several people, at once. */
export async function insertAuditOfPeople(db: Db, e: AuditEntry, personIds: readonly number[]): Promise<void> {
  await db.query(
    `insert into audit (workspace_id, at, coach_id, kind, person_id, programme_id, detail)
     select $1::bigint, $2::timestamptz, $3::bigint, $4::text, person, $5::bigint, $6::text
     from unnest($7::bigint[]) as person`,
    [e.workspaceId, e.now, e.coachId, e.kind, e.programmeId ?? null, e.detail ?? '', [...personIds]],
  );
}

const values = (e: AuditEntry) => [
  e.workspaceId,
  e.now,
  e.coachId,
  e.kind,
  e.personId ?? null,
  e.programmeId ?? null,
  Array.from(e.detail ?? '')
    .slice(0, MOST_LETTERS)
    .join(''),
];

/** As insertAudit, unless the same was noted since a moment ago: for what happens again and again. */
export async function insertAuditUnlessSince(db: Db, e: AuditEntry, since: Date): Promise<void> {
  await db.query(
    `insert into audit (workspace_id, at, coach_id, kind, person_id, programme_id, detail)
     select $1::bigint, $2::timestamptz, $3::bigint, $4::text, $5::bigint, $6::bigint, $7::text
     where not exists (
       select from audit
       where workspace_id = $1::bigint and kind = $4::text and coach_id is not distinct from $3::bigint
         and person_id is not distinct from $5::bigint and at > $8::timestamptz)`,
    [...values(e), since],
  );
}

export interface NotedAct {
  readonly id: number;
  readonly atMs: number;
  readonly coach: string;
  readonly kind: string;
  /** Empty where it is about nobody, null where that person was removed since. */
  readonly person: string | null;
  readonly programme: string;
  readonly detail: string;
}

export interface AuditFilter {
  readonly coachId: number | null;
  readonly kinds: readonly string[] | null;
  readonly personId: number | null;
  /** What comes before this one; null: from the newest on. */
  readonly beforeId: number | null;
  readonly limit: number;
}

/** What was noted, the newest first. */
export async function listAudit(db: Db, f: AuditFilter): Promise<NotedAct[]> {
  const { rows } = await db.query<{
    id: number;
    at: Date;
    coach: string | null;
    kind: string;
    person_id: number | null;
    person: string | null;
    programme: string | null;
    detail: string;
  }>(
    `select a.id, a.at, c.name as coach, a.kind, a.person_id, p.name as person, g.title as programme, a.detail
     from audit a
     left join coach c on c.id = a.coach_id
     left join person p on p.id = a.person_id
     left join programme g on g.id = a.programme_id
     where ($1::bigint is null or a.coach_id = $1::bigint)
       and ($2::text[] is null or a.kind = any($2::text[]))
       and ($3::bigint is null or a.person_id = $3::bigint)
       and ($4::bigint is null or a.id < $4::bigint)
     order by a.id desc
     limit $5::integer`,
    [f.coachId, f.kinds && [...f.kinds], f.personId, f.beforeId, f.limit],
  );
  return rows.map((r) => ({
    id: r.id,
    atMs: r.at.getTime(),
    coach: r.coach ?? '',
    kind: r.kind,
    person: r.person_id === null ? '' : r.person,
    programme: r.programme ?? '',
    detail: r.detail,
  }));
}

/** Forgets what was noted before an instant, in every workspace; gives how many lines. */
export async function forgetAudit(db: Db, before: Date): Promise<number> {
  const { rows } = await db.query<{ forget_audit: number }>('select forget_audit($1::timestamptz)', [before]);
  return rows[0]!.forget_audit;
}
