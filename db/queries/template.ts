import { NotFoundError } from '../errors.ts';
import type { Db } from '../pool.ts';

export interface Template {
  readonly id: number;
  readonly title: string;
  readonly changedAtMs: number;
}

export async function listTemplates(db: Db): Promise<Template[]> {
  const { rows } = await db.query<{ id: number; title: string; changed_at: Date }>(
    'select id, title, changed_at from template order by lower(title)',
  );
  return rows.map(({ id, title, changed_at }) => ({ id, title, changedAtMs: changed_at.getTime() }));
}

/** The document of a template, as docs/programme.schema.json says. */
export async function getTemplateDocument(db: Db, templateId: number): Promise<unknown> {
  const { rows } = await db.query<{ document: unknown }>('select document from template where id = $1::bigint', [
    templateId,
  ]);
  if (!rows[0]) throw new NotFoundError('template');
  return rows[0].document;
}

/** Saves a template under its title; one of that title, in any case, is replaced. */
export async function upsertTemplate(
  db: Db,
  t: { workspaceId: number; title: string; document: unknown; now: Date },
): Promise<void> {
  await db.query(
    `insert into template (workspace_id, title, document, changed_at) values ($1::bigint, $2::text, $3::jsonb, $4::timestamptz)
     on conflict (workspace_id, lower(title)) do update set title = excluded.title, document = excluded.document, changed_at = excluded.changed_at`,
    [t.workspaceId, t.title, JSON.stringify(t.document), t.now],
  );
}

/** False where there was none. */
export async function deleteTemplate(db: Db, templateId: number): Promise<boolean> {
  const { rowCount } = await db.query('delete from template where id = $1::bigint', [templateId]);
  return rowCount === 1;
}
