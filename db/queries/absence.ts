import type { Absence } from '../../core/calendar/absence.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import type { Db } from '../pool.ts';

export interface StoredAbsence extends Absence {
  readonly id: number;
  readonly saidBy: 'coach' | 'person';
  readonly note: string;
}

export async function listAbsences(db: Db, enrolmentId: number): Promise<StoredAbsence[]> {
  const { rows } = await db.query<{
    id: number;
    kind: Absence['kind'];
    from_on: string;
    to_on: string | null;
    said_by: 'coach' | 'person';
    note: string;
  }>('select id, kind, from_on, to_on, said_by, note from absence where enrolment_id = $1::bigint order by from_on', [
    enrolmentId,
  ]);
  return rows.map((r) => ({
    id: r.id,
    kind: r.kind,
    from: r.from_on as DayDate,
    to: r.to_on as DayDate | null,
    saidBy: r.said_by,
    note: r.note,
  }));
}

export async function insertAbsences(
  db: Db,
  a: {
    workspaceId: number;
    enrolmentIds: readonly number[];
    absence: Absence;
    saidBy: 'coach' | 'person';
    note: string;
    now: Date;
  },
): Promise<number[]> {
  const { rows } = await db.query<{ id: number }>(
    `insert into absence (workspace_id, enrolment_id, kind, from_on, to_on, said_by, note, made_at)
     select $1::bigint, person_id, $3::text, $4::date, $5::date, $6::text, $7::text, $8::timestamptz from unnest($2::bigint[]) as person_id returning id`,
    [a.workspaceId, a.enrolmentIds, a.absence.kind, a.absence.from, a.absence.to, a.saidBy, a.note, a.now],
  );
  return rows.map((r) => r.id);
}

export async function deleteAbsence(db: Db, enrolmentId: number, absenceId: number): Promise<void> {
  await db.query('delete from absence where enrolment_id = $1::bigint and id = $2::bigint', [enrolmentId, absenceId]);
}

/** Ends a pause that is open or still to come on the day before `backOn`; where nothing of it is left, it is gone. */
export async function endPause(db: Db, enrolmentId: number, backOn: DayDate): Promise<void> {
  await db.query(`delete from absence where enrolment_id = $1::bigint and kind = 'pause' and from_on >= $2::date`, [
    enrolmentId,
    backOn,
  ]);
  await db.query(
    `update absence set to_on = $2::date - 1 where enrolment_id = $1::bigint and kind = 'pause' and (to_on is null or to_on >= $2::date)`,
    [enrolmentId, backOn],
  );
}
