import type pg from 'pg';
import { messageLinkSalts } from '../../db/queries/doors/link.ts';
import { deriveToken, makeSalt } from './derived-token.ts';

/** The way to the page of somebody whose address was just confirmed: the link that each of their messages brings. */
export async function pathInMessages(
  db: pg.PoolClient,
  { workspaceId, personId, secret, now }: { workspaceId: number; personId: number; secret: string; now: Date },
): Promise<string | null> {
  const salts = await messageLinkSalts(db, {
    workspaceId,
    personIds: [personId],
    makeLink: () => makeSalt(secret, 'link'),
    now,
  });
  const salt = salts.get(personId);
  return salt === undefined ? null : `/p/${deriveToken(secret, 'link', salt)}`;
}
