import type { SessionDocument } from '../../core/document/document.ts';
import { upgradeDocument } from '../../core/document/upgrade.ts';
import type { FitChange } from '../../core/fit/fit-change.ts';
import type { RecordDetails } from '../../core/record/record.ts';
import type { Score } from '../../core/record/scores/score.ts';
import type { Db } from '../pool.ts';

/** What stands of a day of someone where they said a number, with the session that it was of. */
export interface RecordWithSession {
  readonly dayId: number;
  readonly document: SessionDocument;
  readonly scores: readonly Score[];
  readonly fit: readonly FitChange[];
  readonly details: RecordDetails;
}

/** The records with numbers of one person in one run, each day once as it stands. */
export async function listNumbers(db: Db, enrolmentId: number): Promise<RecordWithSession[]> {
  const { rows } = await db.query<{
    day_id: number;
    document: SessionDocument;
    scores: Score[];
    fit: FitChange[];
    details: RecordDetails;
  }>(
    `select s.day_id, v.document, s.scores, s.fit, s.details
     from (
       select distinct on (v.day_id) v.day_id, c.version_id, c.scores, c.fit, c.details
       from record c join version v on v.id = c.version_id
       where c.enrolment_id = $1::bigint order by v.day_id, c.made_at desc, c.id desc
     ) s join version v on v.id = s.version_id
     where jsonb_array_length(s.scores) > 0`,
    [enrolmentId],
  );
  return rows.map((r) => ({ ...r, dayId: r.day_id, document: upgradeDocument(r.document) }));
}

/** A row of somebody's data as it is stored. */
export type StoredRow = Readonly<Record<string, unknown>>;

/** All that is stored about one person; keys that open something are left out. */
export interface PersonCopy {
  readonly person: StoredRow;
  readonly runs: readonly {
    readonly programme: string;
    readonly enrolment: StoredRow;
    readonly records: readonly StoredRow[];
    readonly pains: readonly StoredRow[];
    readonly absences: readonly StoredRow[];
    readonly releases: readonly StoredRow[];
    readonly liveReplies: readonly StoredRow[];
    /** What coaches did about them and noted of them. */
    readonly acts: readonly StoredRow[];
    /** What was proposed for them, and what came of it. */
    readonly proposals: readonly StoredRow[];
  }[];
  readonly messages: readonly StoredRow[];
  readonly links: readonly StoredRow[];
}

export async function copyPerson(db: Db, personId: number): Promise<PersonCopy> {
  const { rows } = await db.query<{ copy: PersonCopy }>(
    `select jsonb_build_object(
       'person', (select to_jsonb(p) - 'workspace_id' - 'stop_key' from person p where p.id = $1::bigint),
       'runs', coalesce((
         select jsonb_agg(jsonb_build_object(
           'programme', g.title,
           'enrolment', to_jsonb(e) - 'workspace_id',
           'records', coalesce((select jsonb_agg(to_jsonb(c) - 'workspace_id'
               || jsonb_build_object('week', d.week, 'weekday', d.weekday, 'session', v.title, 'version', v.number) order by c.made_at, c.id)
             from record c join version v on v.id = c.version_id join day d on d.id = v.day_id where c.enrolment_id = e.id), '[]'),
           'pains', coalesce((select jsonb_agg(to_jsonb(x) - 'workspace_id' order by x.told_at) from pain x where x.enrolment_id = e.id), '[]'),
           'absences', coalesce((select jsonb_agg(to_jsonb(x) - 'workspace_id' order by x.from_on) from absence x where x.enrolment_id = e.id), '[]'),
           'releases', coalesce((select jsonb_agg(to_jsonb(x) - 'workspace_id' order by x.released_at) from release x where x.enrolment_id = e.id), '[]'),
           'liveReplies', coalesce((select jsonb_agg(to_jsonb(x) - 'workspace_id' order by x.answered_at) from live_reply x where x.enrolment_id = e.id), '[]'),
           'acts', coalesce((select jsonb_agg(to_jsonb(x) - 'workspace_id' - 'coach_id' order by x.made_at) from coach_act x where x.enrolment_id = e.id), '[]'),
           'proposals', coalesce((select jsonb_agg(to_jsonb(x) - 'workspace_id' - 'coach_id' order by x.answered_at) from proposal_answer x where x.enrolment_id = e.id), '[]')
         ) order by e.id)
         from enrolment e join run u on u.id = e.run_id join programme g on g.id = u.programme_id where e.person_id = $1::bigint), '[]'),
       'messages', coalesce((select jsonb_agg(to_jsonb(m) - 'workspace_id' order by m.id) from message m where m.person_id = $1::bigint), '[]'),
       'links', coalesce((select jsonb_agg(jsonb_build_object('kind', l.kind, 'createdAt', l.created_at, 'revokedAt', l.revoked_at) order by l.created_at)
         from personal_link l where l.person_id = $1::bigint), '[]')
     ) as copy`,
    [personId],
  );
  return rows[0]!.copy;
}

/** How many sessions someone has logged, in all their runs. */
export async function countLogged(db: Db, personId: number): Promise<number> {
  const { rows } = await db.query<{ count: number }>(
    `select count(*) as count from standing s join enrolment e on e.id = s.enrolment_id where e.person_id = $1::bigint`,
    [personId],
  );
  return rows[0]!.count;
}

/** Takes someone out with all that hangs on them: places in runs, records, pains, absences, messages, links. */
export async function deletePerson(db: Db, personId: number): Promise<void> {
  await db.query('delete from person where id = $1::bigint', [personId]);
}
