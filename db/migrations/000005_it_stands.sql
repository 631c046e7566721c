-- What stands against strangers, races and accidents. Breaks nothing for older code but one thing that nobody should do:
-- a run, day or programme of which something was sent can no longer be deleted.

-- A sent version stays, whoever asks, directly or by way of what it belongs to.
create function refuse_removal() returns trigger language plpgsql as $$
begin
  raise exception '% rows are never removed', tg_table_name using errcode = 'restrict_violation';
end $$;
create trigger version_stays before delete on version for each row execute function refuse_removal();
create trigger version_is_never_emptied before truncate on version for each statement execute function refuse_removal();
create trigger record_is_never_emptied before truncate on record for each statement execute function refuse_removal();

-- One link of a person works at a time; where several do, the newest is kept.
update personal_link l set revoked_at = now()
where l.revoked_at is null and exists (
  select from personal_link n
  where n.enrolment_id = l.enrolment_id and n.revoked_at is null
    and (n.created_at, n.token_hash) > (l.created_at, l.token_hash));
create unique index personal_link_one_works on personal_link (enrolment_id) where revoked_at is null;

-- When it was made on the device, as far as the server can tell: a late arrival doesn't go over a newer correction.
alter table record add column made_at timestamptz;
alter table record disable trigger record_is_immutable;
update record set made_at = logged_at;
alter table record enable trigger record_is_immutable;
alter table record alter column made_at set not null;
create index record_newest on record (enrolment_id, version_id, made_at desc, id desc);

-- Browsers that a coach has signed in from: others trying passwords don't keep them waiting.
create table coach_device (
  token_hash bytea primary key,
  workspace_id bigint not null,
  coach_id bigint not null,
  seen_at timestamptz not null,
  foreign key (workspace_id, coach_id) references coach (workspace_id, id) on delete cascade
);
create index coach_device_coach on coach_device (coach_id, seen_at);
alter table coach_device enable row level security;
create policy own_workspace on coach_device using (workspace_id = nullif(current_setting('ysodos.workspace_id', true), '')::bigint);
grant select, insert, update, delete on coach_device to ysodos_app;

create function is_coach_device(wanted bytea, email_wanted text) returns boolean
language sql stable security definer set search_path = public as $$
  select exists (
    select from coach_device d join coach c on c.id = d.coach_id where d.token_hash = wanted and c.email = lower(email_wanted))
$$;
revoke execute on function is_coach_device(bytea, text) from public;
grant execute on function is_coach_device(bytea, text) to ysodos_app;

-- What was stored in an hour, by a link, a coach and the workspace (server/limits.ts).
create table hour_use (
  workspace_id bigint not null references workspace,
  subject text not null constraint hour_use_subject_length check (length(subject) between 1 and 40),
  hour_at timestamptz not null,
  writes integer not null,
  bytes bigint not null,
  primary key (workspace_id, subject, hour_at)
);
alter table hour_use enable row level security;
create policy own_workspace on hour_use using (workspace_id = nullif(current_setting('ysodos.workspace_id', true), '')::bigint);
grant select, insert, update, delete on hour_use to ysodos_app;

-- Whoever serves looks whether the database is up to date.
grant select on schema_migration to ysodos_app;

-- The door of a personal link, in one step: who comes in by it is in their workspace from there on.
create function enter_by_link(wanted bytea)
returns table (workspace_id bigint, enrolment_id bigint)
language plpgsql volatile security definer set search_path = public as $$
begin
  select l.workspace_id, l.enrolment_id into workspace_id, enrolment_id
  from personal_link l where l.token_hash = wanted and l.revoked_at is null;
  if found then
    perform set_config('ysodos.workspace_id', workspace_id::text, true);
    return next;
  end if;
end $$;
revoke execute on function enter_by_link(bytea) from public;
grant execute on function enter_by_link(bytea) to ysodos_app;
