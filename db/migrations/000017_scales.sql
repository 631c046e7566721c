-- Scales of resistance of a workspace's own: bands, bells that are there, distances, heights, the easiest first.
create table scale_override (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  scale_id text not null constraint scale_override_id_length check (length(scale_id) between 1 and 100),
  scale jsonb not null,
  changed_at timestamptz not null default now(),
  constraint scale_override_once unique (workspace_id, scale_id)
);
alter table scale_override enable row level security;
create policy own_workspace on scale_override using (workspace_id = (select nullif(current_setting('ysodos.workspace_id', true), '')::bigint));
grant select, insert, update, delete on scale_override to ysodos_app;

-- What a record says beside its numbers also tells which step of a scale was used, which shapes were taken, and where fewer were done.
create or replace function standing_of(scores jsonb, fit jsonb, details jsonb)
returns table (has_scores boolean, has_swaps boolean, has_details boolean, last_block smallint) language sql immutable as $$
  select scores <> '[]'::jsonb, fit <> '[]'::jsonb or details ? 'chosen',
    details ?| array['loads', 'steps', 'overran', 'chosen', 'fewer'] or coalesce(details ->> 'body' = 'hurts', false),
    case when details ? 'ranSec' then (select max(k::smallint) from jsonb_object_keys(details -> 'ranSec') k where k ~ '^[0-9]{1,3}$') end
$$;
update standing set has_details = true from record where record.id = standing.record_id and not standing.has_details and record.details ? 'chosen';
