-- What fits a person, a workspace's own movements, and the shape in which something was done. Nothing breaks for older code.

-- The movements that ship, put here at every start from the reviewed files; the layer under each workspace's own.
create table base_movement (
  id text primary key,
  movement jsonb not null
);
grant select on base_movement to ysodos_app;

-- A workspace's own layer: fields that go over a base movement, or a whole movement of its own.
create table movement_override (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  movement_id text not null constraint movement_override_id_length check (length(movement_id) between 1 and 100),
  fields jsonb not null,
  changed_at timestamptz not null,
  constraint movement_override_once unique (workspace_id, movement_id)
);
alter table movement_override enable row level security;
create policy own_workspace on movement_override using (workspace_id = nullif(current_setting('ysodos.workspace_id', true), '')::bigint);
grant select, insert, update, delete on movement_override to ysodos_app;

-- Ladders of a workspace's own, or in place of those that ship: whole, easiest step first. An empty one takes a shipped one away.
create table ladder_override (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  ladder_id text not null constraint ladder_override_id_length check (length(ladder_id) between 1 and 100),
  ladder jsonb not null,
  changed_at timestamptz not null,
  constraint ladder_override_once unique (workspace_id, ladder_id)
);
alter table ladder_override enable row level security;
create policy own_workspace on ladder_override using (workspace_id = nullif(current_setting('ysodos.workspace_id', true), '')::bigint);
grant select, insert, update, delete on ladder_override to ysodos_app;

alter table person
  -- At hand; null: nothing was said, so whatever is needed is taken to be there.
  add column kit text[],
  add column levels jsonb not null default '{}',
  add column spares text[] not null default '{}',
  add column swaps jsonb not null default '[]',
  add column channel text not null default '' constraint person_channel_length check (length(channel) <= 120),
  -- What came of the screening questions; the answers themselves are not kept unless the person shares them.
  add column care text not null default 'not-asked' constraint person_care check (care in ('not-asked', 'clear', 'wait', 'seen')),
  add column care_shared text not null default '' constraint person_care_shared_length check (length(care_shared) <= 500);

-- In which shapes it was done: the changes of the fit, as they were shown.
alter table record add column fit jsonb not null default '[]';
