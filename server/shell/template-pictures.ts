import { BoundedCache } from '../../core/bounded-cache.ts';
import { readProgrammeValue } from '../../core/exchange/programme-json.ts';
import type { WeeksPicture } from '../../core/progress/week/weeks-picture.ts';
import { pictureWeeks } from '../../core/progress/week/weeks-picture.ts';
import type { Db } from '../../db/pool.ts';
import { getTemplateDocument, listTemplates } from '../../db/queries/template.ts';
import { planText } from '../write/session-view.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';

export interface PicturedTemplate {
  readonly id: number;
  readonly title: string;
  /** Null where it can't be read any more. */
  readonly picture: WeeksPicture | null;
}

/** Pictures by template, its last change, and what its texts are read with: each document is read once. */
const pictures = new BoundedCache<string, { picture: WeeksPicture | null }>(500);

/** A workspace's templates, each with the picture of its weeks. */
export async function listPicturedTemplates(db: Db, book: WorkspaceBook): Promise<PicturedTemplate[]> {
  const out: PicturedTemplate[] = [];
  for (const { id, title, changedAtMs } of await listTemplates(db)) {
    const key = `${id} ${changedAtMs} ${book.key}`;
    const known = pictures.peek(key);
    if (known) {
      out.push({ id, title, picture: known.picture });
      continue;
    }
    const read = readProgrammeValue(await getTemplateDocument(db, id));
    const picture = read.status === 'read' ? pictureWeeks(read.programme, (text) => planText(text, book)) : null;
    pictures.get(key, () => ({ picture }));
    out.push({ id, title, picture });
  }
  return out;
}
