import type pg from 'pg';
import { writePeople } from '../../core/exchange/people/write-people.ts';
import { listParticipants } from '../../db/queries/person.ts';
import { note } from '../doors/audit.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import { requireProof } from '../doors/prove-again.ts';
import { fileAnswer, toCsv } from '../http/csv.ts';
import { countRead } from '../http/limits/costly-reads.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** Everybody in a run as the table that they can be brought in by again. */
export async function exportRoster(db: pg.PoolClient, { programme, coach }: ProgrammeScope, request: Request) {
  await countRead(db, { kind: 'coach', id: coach.coachId, workspaceId: coach.workspaceId });
  requireProof(request, coach);
  await note(db, coach, 'exported', { programmeId: programme.id, detail: 'the roster' });
  const { library } = await loadWorkspaceBook(db);
  const people = (await listParticipants(db, programme.runId)).map(({ profile, ...p }) => ({ ...p, ...profile }));
  return fileAnswer('people', true, toCsv(writePeople(people, library)));
}
