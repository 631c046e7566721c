import type { PersonPace } from '../../core/pace/person-pace.ts';
import type { Db } from '../pool.ts';

/** People of a level whose records stand in for someone's own. */
const MOST_PEERS = 30;

/** Some others of someone's run who have the same levels set, whoever they are. */
export async function listPeersOf(db: Db, enrolmentId: number): Promise<number[]> {
  const { rows } = await db.query<{ id: number }>({
    name: 'peers',
    text: `select o.id from enrolment e join person p on p.id = e.person_id
       join enrolment o on o.run_id = e.run_id and o.id <> e.id join person q on q.id = o.person_id and q.levels = p.levels
      where e.id = $1::bigint order by o.id limit ${MOST_PEERS}`,
    values: [enrolmentId],
  });
  return rows.map((r) => r.id);
}

export async function updatePace(db: Db, enrolmentId: number, pace: PersonPace | null): Promise<void> {
  await db.query('update enrolment set pace = $2::jsonb where id = $1::bigint', [
    enrolmentId,
    pace === null ? null : JSON.stringify(pace),
  ]);
}
