import { BoundedCache } from '../../core/bounded-cache.ts';
import type { SessionDocument } from '../../core/document/document.ts';
import type { Db } from '../../db/pool.ts';
import { getVersionDocument } from '../../db/queries/record.ts';

/** Documents of versions, which never change. */
const documents = new BoundedCache<number, SessionDocument>(200);

/** The session of a sent version; read once for the last few hundred of them. */
export async function versionDocument(db: Db, versionId: number): Promise<SessionDocument> {
  const known = documents.peek(versionId) ?? (await getVersionDocument(db, versionId));
  return documents.get(versionId, () => known);
}
