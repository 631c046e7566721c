import { pino } from 'pino';
import type { TimedBlock } from '../../core/pace/learned-pace.ts';
import { personPace } from '../../core/pace/person-pace.ts';
import type { Db } from '../../db/pool.ts';
import { listPeersOf, updatePace } from '../../db/queries/own-pace.ts';
import { listSentDays } from '../../db/queries/record.ts';
import { listTimed } from '../../db/queries/standing-shapes.ts';
import { timedBlocks } from '../follow-up/timed-blocks.ts';
import { sentFacts } from '../follow-up/sent-facts.ts';
import { countFault, describeFault } from '../http/faults.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';

/**
 * Learns anew how quick someone is, once a block of theirs was timed: by their own records, and those of some of their level. What was
 * logged is kept whatever becomes of this.
 */
export async function learnPace(
  db: Db,
  who: { readonly enrolmentId: number; readonly runId: number },
  book: WorkspaceBook,
): Promise<void> {
  await db.query('savepoint pace');
  try {
    await learn(db, who, book);
    await db.query('release savepoint pace');
  } catch (error) {
    await db.query('rollback to savepoint pace');
    countFault();
    pino({ base: null }).error({ where: 'learning a pace', ...describeFault(error) });
  }
}

async function learn(
  db: Db,
  { enrolmentId, runId }: { readonly enrolmentId: number; readonly runId: number },
  book: WorkspaceBook,
): Promise<void> {
  const days = await listSentDays(db, runId);
  const facts = await sentFacts(
    db,
    days.map((d) => d.versionId),
    book,
  );
  const factsOf = new Map(days.flatMap((d) => (facts.has(d.versionId) ? [[d.dayId, facts.get(d.versionId)!]] : [])));
  const paced = [...factsOf].flatMap(([dayId, own]) => (own.paced.length > 0 ? [dayId] : []));
  const peers = await listPeersOf(db, enrolmentId);
  const timed = await listTimed(db, runId, paced, [enrolmentId, ...peers]);
  const blocks = (isOwn: boolean): TimedBlock[] =>
    timedBlocks(
      timed.filter((t) => (t.enrolmentId === enrolmentId) === isOwn),
      (dayId) => factsOf.get(dayId)?.paced ?? [],
      () => 0,
    );
  await updatePace(db, enrolmentId, personPace(blocks(true), blocks(false)) ?? null);
}
