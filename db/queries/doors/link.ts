import type { Db } from '../../pool.ts';

/** `personal`: handed out; `message`: in their messages; `calendar`: opens their calendar alone. */
export type LinkKind = 'personal' | 'message' | 'calendar';

/**
 * Makes a new link the only one of its kind that works; several at once come one after the other. One that is handed out ends those in
 * messages sent before, and opens a person's doors again.
 */
export async function insertPersonalLink(
  db: Db,
  l: { workspaceId: number; personId: number; kind?: LinkKind; tokenHash: Buffer; now: Date },
): Promise<void> {
  const kind = l.kind ?? 'personal';
  await db.query('select id from person where id = $1::bigint for update', [l.personId]);
  await endLinks(db, l.personId, l.now, kind === 'calendar' ? ['calendar'] : ['personal', 'message']);
  if (kind === 'personal') await db.query('update person set closed_at = null where id = $1::bigint', [l.personId]);
  await db.query(
    `insert into personal_link (token_hash, workspace_id, person_id, kind, created_at)
     values ($1::bytea, $2::bigint, $3::bigint, $4::text, $5::timestamptz)`,
    [l.tokenHash, l.workspaceId, l.personId, kind, l.now],
  );
}

/** Makes a link for each of these, who have none that works: a second one at the same moment would be refused by the database. */
export async function insertPersonalLinks(
  db: Db,
  l: { workspaceId: number; links: readonly { personId: number; tokenHash: Buffer }[]; now: Date },
): Promise<void> {
  await db.query(
    `insert into personal_link (token_hash, workspace_id, person_id, created_at)
     select decode(x.hash, 'hex'), $1::bigint, x."personId", $3::timestamptz
     from jsonb_to_recordset($2::jsonb) as x(hash text, "personId" bigint)`,
    [
      l.workspaceId,
      JSON.stringify(l.links.map((x) => ({ personId: x.personId, hash: x.tokenHash.toString('hex') }))),
      l.now,
    ],
  );
}

/** The salts of the links in these people's messages, by person; who has no such link gets `makeLink`'s. */
export async function messageLinkSalts(
  db: Db,
  l: {
    workspaceId: number;
    personIds: readonly number[];
    makeLink: () => { readonly salt: string; readonly tokenHash: Buffer };
    now: Date;
  },
): Promise<Map<number, string>> {
  const ask = async () => {
    const { rows } = await db.query<{ person_id: number; salt: string }>(
      `select person_id, salt from personal_link where person_id = any($1::bigint[]) and kind = 'message' and revoked_at is null`,
      [l.personIds],
    );
    return new Map(rows.map((r) => [r.person_id, r.salt]));
  };
  const known = await ask();
  const missing = l.personIds.filter((id) => !known.has(id));
  if (missing.length === 0) return known;
  const made = missing.map((personId) => {
    const { salt, tokenHash } = l.makeLink();
    return { personId, salt, hash: tokenHash.toString('hex') };
  });
  await db.query(
    `insert into personal_link (token_hash, workspace_id, person_id, kind, salt, created_at)
     select decode(x.hash, 'hex'), $1::bigint, x."personId", 'message', x.salt, $3::timestamptz
     from jsonb_to_recordset($2::jsonb) as x(hash text, "personId" bigint, salt uuid)
     on conflict do nothing`,
    [l.workspaceId, JSON.stringify(made), l.now],
  );
  return ask();
}

/**
 * Closes all that opens by a person's links, at once: pages, calendar, what messages bring, the confirmation of an address. No message
 * goes to them until a link is handed out again.
 */
export async function closeDoors(db: Db, personId: number, now: Date): Promise<void> {
  await endLinks(db, personId, now, ['personal', 'message', 'calendar']);
  await db.query('update person set closed_at = $2::timestamptz where id = $1::bigint', [personId, now]);
  await db.query('delete from address_key where person_id = $1::bigint', [personId]);
  await db.query(
    `update message set state = 'dropped', reason = 'their link was taken away' where person_id = $1::bigint and state = 'waiting'`,
    [personId],
  );
}

/** Ends links of a person, of some kinds. */
export async function endLinks(db: Db, personId: number, now: Date, kinds: readonly LinkKind[]): Promise<void> {
  await db.query(
    'update personal_link set revoked_at = $2::timestamptz where person_id = $1::bigint and revoked_at is null and kind = any($3::text[])',
    [personId, now, kinds],
  );
}

/**
 * Looks across workspaces, by the hash of a link's token; revoked links are not found. The transaction is in the link's workspace
 * from there on.
 */
export async function findPersonalLink(
  db: Db,
  tokenHash: Buffer,
  kinds: readonly LinkKind[] = ['personal', 'message'],
): Promise<{ workspaceId: number; personId: number } | undefined> {
  const { rows } = await db.query<{ workspace_id: number; person_id: number }>({
    name: 'enter-by-link',
    text: 'select workspace_id, person_id from enter_by_link($1::bytea, $2::text[])',
    values: [tokenHash, kinds],
  });
  return rows[0] && { workspaceId: rows[0].workspace_id, personId: rows[0].person_id };
}

/** Opens the confirmation of an address, for that address alone; earlier ones of the person end. */
export async function insertAddressKey(
  db: Db,
  k: { workspaceId: number; personId: number; address: string; tokenHash: Buffer; expiresAt: Date },
): Promise<void> {
  await db.query('delete from address_key where person_id = $1::bigint and token_hash <> $2::bytea', [
    k.personId,
    k.tokenHash,
  ]);
  await db.query(
    `insert into address_key (token_hash, workspace_id, person_id, address, expires_at)
     values ($1::bytea, $2::bigint, $3::bigint, $4::text, $5::timestamptz)
     on conflict (token_hash) do update set expires_at = excluded.expires_at where address_key.address = excluded.address`,
    [k.tokenHash, k.workspaceId, k.personId, k.address, k.expiresAt],
  );
}

/** Looks across workspaces: whose address a key confirms, while it is that address and the key wasn't used. */
export async function findAddressKey(
  db: Db,
  tokenHash: Buffer,
  now: Date,
): Promise<{ workspaceId: number; personId: number } | undefined> {
  const { rows } = await db.query<{ workspace_id: number; person_id: number }>(
    'select workspace_id, person_id from find_address_key($1::bytea, $2::timestamptz)',
    [tokenHash, now],
  );
  return rows[0] && { workspaceId: rows[0].workspace_id, personId: rows[0].person_id };
}

/** Confirms the address of a key: true the first time only, while the person has that address and asked for messages there. */
export async function confirmAddress(db: Db, tokenHash: Buffer, now: Date): Promise<boolean> {
  const { rowCount } = await db.query(
    `with used as (
       update address_key set used_at = $2::timestamptz where token_hash = $1::bytea and used_at is null and expires_at > $2::timestamptz
       returning person_id, address
     )
     update person p set address_state = 'confirmed', address_reason = ''
     from used k where p.id = k.person_id and p.address = k.address and p.address_state in ('asked', 'bounced') and p.closed_at is null`,
    [tokenHash, now],
  );
  return rowCount === 1;
}
