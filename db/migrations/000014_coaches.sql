-- Coaches have roles, a second step at sign-in and sessions that can be told apart; what they do is noted. Older web processes must not run
-- beside it: they would let a reader change things.

-- owner: all. coach: all but who coaches here. reader: sees the work, no health remarks, and changes nothing.
alter table coach
  add column role text not null default 'coach' constraint coach_role check (role in ('owner', 'coach', 'reader')),
  -- The key of their one-time codes, sealed with SECRET; null: no second step.
  add column totp_sealed bytea,
  -- The last step of time whose code was used: each works once.
  add column totp_step bigint not null default 0,
  -- Since then they don't coach here any more; the row stays, for what they sent.
  add column gone_at timestamptz,
  alter column email drop not null,
  add constraint coach_email_while_here check ((email is null) = (gone_at is not null));
update coach c set role = 'owner' where id = (select min(x.id) from coach x where x.workspace_id = c.workspace_id);
grant update (email, role, totp_sealed, totp_step, gone_at) on coach to ysodos_app;

create table recovery_code (
  workspace_id bigint not null,
  coach_id bigint not null,
  code_hash bytea not null,
  used_at timestamptz,
  foreign key (workspace_id, coach_id) references coach (workspace_id, id) on delete cascade,
  primary key (coach_id, code_hash)
);

-- Sessions from before go: who was signed in signs in once more.
delete from coach_session;
alter table coach_session
  add column id bigint generated always as identity constraint coach_session_id unique,
  add column made_at timestamptz not null,
  add column seen_at timestamptz not null,
  -- When they last showed their password.
  add column proved_at timestamptz not null,
  -- `Firefox on Linux`
  add column agent text not null default '' constraint coach_session_agent_length check (length(agent) <= 80),
  -- The password was right, the second step is still to come: nothing opens yet.
  add column waits_for_code boolean not null default false;
create index coach_session_by_coach on coach_session (coach_id);
drop function find_coach_session(bytea, timestamptz);
create function find_coach_session(wanted bytea, at timestamptz)
returns table (coach_id bigint, workspace_id bigint, coach_name text, workspace_name text, role text, session_id bigint, seen_at timestamptz, made_at timestamptz, proved_at timestamptz, waits_for_code boolean, has_second_step boolean)
language sql stable security definer set search_path = public as $$
  select c.id, c.workspace_id, c.name, w.name, c.role, s.id, s.seen_at, s.made_at, s.proved_at, s.waits_for_code, c.totp_sealed is not null
  from coach_session s
  join coach c on c.id = s.coach_id
  join workspace w on w.id = c.workspace_id
  where s.token_hash = wanted and s.expires_at > at and c.gone_at is null
$$;
revoke execute on function find_coach_session(bytea, timestamptz) from public;
grant execute on function find_coach_session(bytea, timestamptz) to ysodos_app;
grant update (seen_at, expires_at, proved_at, waits_for_code) on coach_session to ysodos_app;

-- A door may also lead to a new address of a coach; one into a workspace says as what.
alter table coach_door
  drop constraint coach_door_kind,
  add constraint coach_door_kind check (kind in ('reset', 'invite', 'address')),
  add column role text not null default 'coach' constraint coach_door_role check (role in ('owner', 'coach', 'reader')),
  add column made_at timestamptz not null default now();
drop function find_coach_door(bytea, timestamptz);
create function find_coach_door(wanted bytea, at timestamptz)
returns table (workspace_id bigint, kind text, coach_id bigint, email text, role text)
language sql stable security definer set search_path = public as $$
  select d.workspace_id, d.kind, d.coach_id, d.email, d.role from coach_door d
  where d.token_hash = wanted and d.used_at is null and d.expires_at > at
$$;
revoke execute on function find_coach_door(bytea, timestamptz) from public;
grant execute on function find_coach_door(bytea, timestamptz) to ysodos_app;

alter table message drop constraint message_kind;
alter table message add constraint message_kind check (
  kind in ('session', 'change', 'withdrawn', 'rest', 'reminder', 'live', 'confirm', 'flag', 'reset', 'invite', 'address', 'told', 'test', 'note', 'letter'));

-- What coaches did. Only appended to; a person stands in it by number alone, so that nothing of them is left once they are removed.
create table audit (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  at timestamptz not null,
  coach_id bigint,
  kind text not null constraint audit_kind check (length(kind) between 1 and 40),
  person_id bigint,
  programme_id bigint,
  detail text not null default '' constraint audit_detail_length check (length(detail) <= 300),
  foreign key (workspace_id, coach_id) references coach (workspace_id, id)
);
create index audit_by_time on audit (workspace_id, id desc);
create index audit_of_person on audit (person_id, coach_id, at) where person_id is not null;

do $$
declare
  t text;
begin
  foreach t in array array['recovery_code', 'audit'] loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_workspace on %I using (workspace_id = (select nullif(current_setting(''ysodos.workspace_id'', true), '''')::bigint))', t);
  end loop;
end $$;
grant select, insert, update, delete on recovery_code to ysodos_app;
grant select, insert on audit to ysodos_app;

-- What is older than it is kept for, of all workspaces.
create function forget_audit(before timestamptz) returns bigint
language sql volatile security definer set search_path = public as $$
  with gone as (delete from audit where at < before returning 1) select count(*) from gone
$$;
revoke execute on function forget_audit(timestamptz) from public;
grant execute on function forget_audit(timestamptz) to ysodos_app;
