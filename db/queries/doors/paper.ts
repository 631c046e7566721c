import sql from 'sql-template-tag';
import type { Db } from '../../pool.ts';

/** What paper can be in a workspace's printers. */
export const PAPER_SIZES = ['a4', 'letter'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

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
