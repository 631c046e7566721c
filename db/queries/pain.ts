import type { Hurt } from '../../core/clock/clock.ts';
import type { Db } from '../pool.ts';

export interface NewPain extends Omit<Hurt, 'block'> {
  readonly workspaceId: number;
  readonly enrolmentId: number;
  readonly versionId: number;
  readonly clientId: string;
  readonly toldAtMs: number;
}

/** Keeps that something hurt; told again with the same id it is kept once. */
export async function insertPain(db: Db, p: NewPain): Promise<void> {
  await db.query(
    `insert into pain (workspace_id, enrolment_id, version_id, client_id, movement, area, did, stand_in, told_at)
     values ($1::bigint, $2::bigint, $3::bigint, $4::uuid, $5, $6, $7, $8, $9::timestamptz)
     on conflict on constraint pain_once do nothing`,
    [p.workspaceId, p.enrolmentId, p.versionId, p.clientId, p.movement, p.area, p.did, p.to, new Date(p.toldAtMs)],
  );
}

/** A pain as it was told. */
export interface ToldPain extends Omit<Hurt, 'block'> {
  readonly enrolmentId: number;
  readonly dayId: number;
  readonly toldAtMs: number;
}

interface PainRow {
  enrolment_id: number;
  day_id: number;
  movement: string;
  area: string;
  did: Hurt['did'];
  stand_in: string;
  told_at: Date;
}

const toPain = (r: PainRow): ToldPain => ({
  enrolmentId: r.enrolment_id,
  dayId: r.day_id,
  movement: r.movement,
  area: r.area,
  did: r.did,
  to: r.stand_in,
  toldAtMs: r.told_at.getTime(),
});

/** What was told in a run since an instant, newest first. */
export async function listPainSince(db: Db, runId: number, sinceMs: number): Promise<ToldPain[]> {
  const { rows } = await db.query<PainRow>({
    name: 'pain-since',
    text: `select p.enrolment_id, v.day_id, p.movement, p.area, p.did, p.stand_in, p.told_at
     from pain p join version v on v.id = p.version_id
     where v.run_id = $1::bigint and p.told_at >= $2::timestamptz order by p.told_at desc, p.id desc`,
    values: [runId, new Date(sinceMs)],
  });
  return rows.map(toPain);
}

/** What one person has told, oldest first. */
export async function listPainOf(db: Db, enrolmentId: number): Promise<ToldPain[]> {
  const { rows } = await db.query<PainRow>(
    `select p.enrolment_id, v.day_id, p.movement, p.area, p.did, p.stand_in, p.told_at
     from pain p join version v on v.id = p.version_id where p.enrolment_id = $1::bigint order by p.told_at, p.id`,
    [enrolmentId],
  );
  return rows.map(toPain);
}
