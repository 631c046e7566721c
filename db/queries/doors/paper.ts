import sql from 'sql-template-tag';
import type { Db } from '../../pool.ts';

/** What paper goes into a workspace's printers. */
export type PaperSize = 'a4' | 'letter';

/** Of the workspace that one is in. */
export async function getPaperSize(db: Db): Promise<PaperSize> {
  const { rows } = await db.query<{ paper: PaperSize }>(sql`
    select paper
    from workspace`);
  return rows[0]?.paper ?? 'a4';
}

export async function updatePaperSize(db: Db, workspaceId: number, size: PaperSize): Promise<void> {
  await db.query(sql`
    update workspace
    set paper = ${size}::text
    where id = ${workspaceId}::bigint`);
}
