-- What a record says beside its numbers: a reason, how the body feels, loads, shapes chosen on the way, seconds that ran.
alter table record add column details jsonb not null default '{}';

-- Something hurt during a session, and what was done about it. Told at once, before or without a record.
create table pain (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  enrolment_id bigint not null,
  version_id bigint not null,
  -- Made on the device: a retry brings the same one and is stored once.
  client_id uuid not null,
  movement text not null constraint pain_movement_length check (length(movement) between 1 and 120),
  area text not null constraint pain_area_length check (length(area) between 1 and 40),
  did text not null constraint pain_did check (did in ('stand-in', 'left-out', 'ended')),
  stand_in text not null default '' constraint pain_stand_in_length check (length(stand_in) <= 120),
  told_at timestamptz not null,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  foreign key (workspace_id, version_id) references version (workspace_id, id) on delete cascade,
  constraint pain_once unique (enrolment_id, client_id)
);
create index pain_lately on pain (version_id, told_at);
alter table pain enable row level security;
create policy own_workspace on pain using (workspace_id = (select nullif(current_setting('ysodos.workspace_id', true), '')::bigint));
grant select, insert, delete on pain to ysodos_app;
grant usage on sequence pain_id_seq to ysodos_app;
