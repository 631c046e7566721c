import type { Db } from '../../pool.ts';

/**
 * Notes an attempt under each key, forgets those from before `since`, and gives how many each key has had from then on, this
 * one included, in the order of the keys.
 */
export async function addSignInAttempts(
  db: Db,
  keyHashes: readonly Buffer[],
  at: Date,
  since: Date,
): Promise<number[]> {
  await db.query('delete from sign_in_attempt where attempted_at < $1::timestamptz', [since]);
  await db.query(
    'insert into sign_in_attempt (key_hash, attempted_at) select key, $2::timestamptz from unnest($1::bytea[]) as key',
    [[...keyHashes], at],
  );
  const { rows } = await db.query<{ count: number }>(
    `select count(a.key_hash) from unnest($1::bytea[]) with ordinality as k(key, place)
     left join sign_in_attempt a on a.key_hash = k.key
     group by k.place order by k.place`,
    [[...keyHashes]],
  );
  return rows.map((row) => row.count);
}

/**
 * Notes an attempt under each key, if none of them has had as many as it may since then; false where one has, and nothing is noted:
 * a refused ask doesn't count.
 */
export async function addAttemptWithin(
  db: Db,
  limits: readonly { readonly keyHash: Buffer; readonly most: number }[],
  at: Date,
  since: Date,
): Promise<boolean> {
  const keys = limits.map((l) => l.keyHash);
  const { rowCount } = await db.query(
    `with limits as (select * from unnest($1::bytea[], $2::integer[]) as l(key, most))
     insert into sign_in_attempt (key_hash, attempted_at)
     select key, $3::timestamptz from limits
     where not exists (
       select from limits l where (select count(*) from sign_in_attempt a where a.key_hash = l.key and a.attempted_at >= $4::timestamptz) >= l.most)`,
    [keys, limits.map((l) => l.most), at, since],
  );
  return rowCount === limits.length;
}

export async function deleteSignInAttempts(db: Db, keyHashes: readonly Buffer[]): Promise<void> {
  await db.query('delete from sign_in_attempt where key_hash = any ($1::bytea[])', [[...keyHashes]]);
}
