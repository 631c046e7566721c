import type { DayDate } from '../../core/calendar/day.ts';
import type { Db } from '../pool.ts';

/** Something a coach did about someone, or noted of them. */
export interface StoredAct {
  readonly id: number;
  readonly enrolmentId: number;
  readonly kind: string;
  /** The rule that had asked for it; empty for what they did of their own accord. */
  readonly code: string;
  readonly occasion: string;
  readonly words: string;
  readonly untilOn: DayDate | null;
  readonly madeAtMs: number;
  readonly by: string;
}

interface ActRow {
  id: number;
  enrolment_id: number;
  kind: string;
  code: string;
  occasion: string;
  words: string;
  until_on: string | null;
  made_at: Date;
  by: string | null;
}

const toAct = (r: ActRow): StoredAct => ({
  id: r.id,
  enrolmentId: r.enrolment_id,
  kind: r.kind,
  code: r.code,
  occasion: r.occasion,
  words: r.words,
  untilOn: r.until_on as DayDate | null,
  madeAtMs: r.made_at.getTime(),
  by: r.by ?? '',
});

const SELECT_ACT = `select a.id, a.enrolment_id, a.kind, a.code, a.occasion, a.words, a.until_on, a.made_at, c.name as by
  from coach_act a left join coach c on c.id = a.coach_id`;

/** What was done about people of a run because a rule asked for it, newest first. */
export async function listRunActs(db: Db, runId: number): Promise<StoredAct[]> {
  const { rows } = await db.query<ActRow>({
    name: 'run-acts',
    text: `${SELECT_ACT} join enrolment e on e.id = a.enrolment_id where e.run_id = $1::bigint and a.code <> '' order by a.made_at desc, a.id desc`,
    values: [runId],
  });
  return rows.map(toAct);
}

/** All that was done about one person, and noted of them, newest first. */
export async function listActs(db: Db, enrolmentId: number): Promise<StoredAct[]> {
  const { rows } = await db.query<ActRow>(
    `${SELECT_ACT} where a.enrolment_id = $1::bigint order by a.made_at desc, a.id desc`,
    [enrolmentId],
  );
  return rows.map(toAct);
}

/** What it takes to take something back. */
export interface ActWas {
  readonly absenceId?: number;
  readonly easedUntil?: DayDate | null;
  readonly swaps?: readonly { readonly from: string; readonly to: string }[];
}

export interface NewAct {
  readonly workspaceId: number;
  readonly enrolmentId: number;
  readonly coachId: number;
  readonly kind: string;
  readonly code: string;
  readonly occasion: string;
  readonly words: string;
  readonly untilOn: DayDate | null;
  readonly was: ActWas;
  readonly now: Date;
}

export async function insertAct(db: Db, a: NewAct): Promise<number> {
  const { rows } = await db.query<{ id: number }>(
    `insert into coach_act (workspace_id, enrolment_id, coach_id, kind, code, occasion, words, until_on, was, made_at)
     values ($1::bigint, $2::bigint, $3::bigint, $4::text, $5::text, $6::text, $7::text, $8::date, $9::jsonb, $10::timestamptz) returning id`,
    [
      a.workspaceId,
      a.enrolmentId,
      a.coachId,
      a.kind,
      a.code,
      a.occasion,
      a.words,
      a.untilOn,
      JSON.stringify(a.was),
      a.now,
    ],
  );
  return rows[0]!.id;
}

/** Takes something off the list, so that what a rule had asked for is asked again; gives what it takes to go back, undefined where it is none of this person. */
export async function deleteAct(db: Db, enrolmentId: number, actId: number): Promise<ActWas | undefined> {
  const { rows } = await db.query<{ was: ActWas }>(
    'delete from coach_act where enrolment_id = $1::bigint and id = $2::bigint returning was',
    [enrolmentId, actId],
  );
  return rows[0]?.was;
}

/** Which rules ask for attention in a run, as stored. */
export async function getAttention(db: Db, runId: number): Promise<unknown> {
  const { rows } = await db.query<{ attention: unknown }>('select attention from run where id = $1::bigint', [runId]);
  return rows[0]?.attention;
}

export async function updateAttention(db: Db, runId: number, attention: object): Promise<void> {
  await db.query('update run set attention = $2::jsonb where id = $1::bigint', [runId, JSON.stringify(attention)]);
}

/**
 * Keeps what is done about someone in order: who comes second waits for the first. True where the very same was done a moment ago, by a
 * double click or a request that came twice.
 */
export async function lockAct(
  db: Db,
  a: Pick<NewAct, 'enrolmentId' | 'kind' | 'code' | 'occasion'> & { readonly since: Date },
): Promise<boolean> {
  await db.query('select from enrolment where id = $1::bigint for update', [a.enrolmentId]);
  const { rowCount } = await db.query(
    `select from coach_act where enrolment_id = $1::bigint and kind = $2::text and code = $3::text and occasion = $4::text
       and code <> '' and made_at >= $5::timestamptz limit 1`,
    [a.enrolmentId, a.kind, a.code, a.occasion, a.since],
  );
  return (rowCount ?? 0) > 0;
}
