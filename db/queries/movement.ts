import type { Ladder } from '../../core/movement/ladder.ts';
import type { MovementLayer, MovementOverride } from '../../core/movement/layer.ts';
import type { Scale } from '../../core/movement/scale.ts';
import type { Movement } from '../../core/movement/movement.ts';
import type { Db } from '../pool.ts';
import type { StoredRoutine } from './routine.ts';

/** Puts the movements that ship under every workspace's own; those that no longer ship go. With the owner's rights. */
export async function replaceBaseMovements(db: Db, movements: readonly Movement[]): Promise<void> {
  await db.query(
    `insert into base_movement (id, movement) select m ->> 'id', m from jsonb_array_elements($1::jsonb) as m
     on conflict (id) do update set movement = excluded.movement where base_movement.movement is distinct from excluded.movement`,
    [JSON.stringify(movements)],
  );
  await db.query('delete from base_movement where id <> all ($1::text[])', [movements.map((m) => m.id)]);
}

export async function upsertOverride(
  db: Db,
  o: { workspaceId: number; override: MovementOverride; now: Date },
): Promise<void> {
  await db.query(
    `insert into movement_override (workspace_id, movement_id, fields, changed_at) values ($1::bigint, $2::text, $3::jsonb, $4::timestamptz)
     on conflict on constraint movement_override_once do update set fields = excluded.fields, changed_at = excluded.changed_at`,
    [o.workspaceId, o.override.movementId, JSON.stringify(o.override.fields), o.now],
  );
}

/** Back to the base; false where there was nothing over it. */
export async function deleteOverride(db: Db, movementId: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from movement_override where movement_id = $1::text', [movementId]);
  return rowCount === 1;
}

export async function upsertLadder(db: Db, l: { workspaceId: number; ladder: Ladder; now: Date }): Promise<void> {
  await db.query(
    `insert into ladder_override (workspace_id, ladder_id, ladder, changed_at) values ($1::bigint, $2::text, $3::jsonb, $4::timestamptz)
     on conflict on constraint ladder_override_once do update set ladder = excluded.ladder, changed_at = excluded.changed_at`,
    [l.workspaceId, l.ladder.id, JSON.stringify(l.ladder), l.now],
  );
}

/** Back to the ladder that ships, or away with one's own; false where there was nothing. */
export async function deleteLadder(db: Db, ladderId: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from ladder_override where ladder_id = $1::text', [ladderId]);
  return rowCount === 1;
}

export async function upsertScale(db: Db, s: { workspaceId: number; scale: Scale; now: Date }): Promise<void> {
  await db.query(
    `insert into scale_override (workspace_id, scale_id, scale, changed_at) values ($1::bigint, $2::text, $3::jsonb, $4::timestamptz)
     on conflict on constraint scale_override_once do update set scale = excluded.scale, changed_at = excluded.changed_at`,
    [s.workspaceId, s.scale.id, JSON.stringify(s.scale), s.now],
  );
}

/** Back to the scale that ships, or away with one's own; false where there was nothing. */
export async function deleteScale(db: Db, scaleId: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from scale_override where scale_id = $1::text', [scaleId]);
  return rowCount === 1;
}

/** What a workspace has of its own to read texts with. */
export interface StoredBook {
  readonly layer: MovementLayer;
  readonly routines: readonly StoredRoutine[];
}

/** All of it in one question: every page asks it. */
export async function getStoredBook(db: Db): Promise<StoredBook> {
  const { rows } = await db.query<{
    overrides: MovementLayer['overrides'] | null;
    ladders: MovementLayer['ladders'] | null;
    scales: MovementLayer['scales'] | null;
    routines: StoredRoutine[] | null;
  }>({
    name: 'stored-book',
    text: `select
       (select json_agg(json_build_object('movementId', movement_id, 'fields', fields) order by movement_id) from movement_override) as overrides,
       (select json_agg(ladder order by ladder_id) from ladder_override) as ladders,
       (select json_agg(scale order by scale_id) from scale_override) as scales,
       (select json_agg(json_build_object('id', id, 'name', name, 'text', text) order by lower(name)) from routine) as routines`,
  });
  const { overrides, ladders, scales, routines } = rows[0]!;
  const layer = { overrides: overrides ?? [], ladders: ladders ?? [], scales: scales ?? [] };
  return { layer, routines: routines ?? [] };
}
