import type { Held } from '../../core/fit/hold.ts';
import { resolveBlocks } from '../../core/session/resolve.ts';
import type { Db } from '../../db/pool.ts';
import type { Enrolment } from '../../db/queries/person.ts';
import { findHeldVersion } from '../../db/queries/held.ts';
import { versionDocument } from './version-document.ts';
import { heldWords } from '../../words/en/proposals.ts';

/** The earlier session that someone stays with on a day, and a key of it; undefined where they go on with everybody. */
export async function heldOn(
  db: Db,
  { heldWeek, runId }: Pick<Enrolment, 'heldWeek' | 'runId'>,
  day: { readonly dayId: number } | { readonly versionId: number },
): Promise<(Held & { readonly key: string }) | undefined> {
  const version = heldWeek === null ? undefined : await findHeldVersion(db, { runId, heldWeek, ...day });
  if (!version) return undefined;
  const document = await versionDocument(db, version.versionId);
  return {
    key: String(version.versionId),
    blocks: resolveBlocks(document),
    reason: heldWords(version.week),
  };
}
