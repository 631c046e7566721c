-- Everything of a workspace carries its number; row-level security keeps workspaces apart. The application
-- signs in as ysodos_app, which owns nothing here. Breaks nothing: first migration.

create table workspace (
  id bigint generated always as identity primary key,
  name text not null constraint workspace_name_length check (length(name) between 1 and 120)
);

create table coach (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  email text not null constraint coach_email_lower check (email = lower(email) and position('@' in email) > 1),
  name text not null,
  password_hash text not null,
  constraint coach_email_unique unique (email),
  constraint coach_in_workspace unique (workspace_id, id)
);

create table coach_session (
  token_hash bytea primary key,
  workspace_id bigint not null,
  coach_id bigint not null,
  expires_at timestamptz not null,
  foreign key (workspace_id, coach_id) references coach (workspace_id, id) on delete cascade
);
create index coach_session_expires on coach_session (expires_at);

-- Before sign-in there is no workspace: keys are hashes of an address or an account name.
create table sign_in_attempt (
  key_hash bytea not null,
  attempted_at timestamptz not null
);
create index sign_in_attempt_key on sign_in_attempt (key_hash, attempted_at);

create table programme (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  title text not null constraint programme_title_length check (length(title) between 1 and 120),
  weeks integer not null constraint programme_weeks check (weeks between 1 and 52),
  created_at timestamptz not null,
  constraint programme_in_workspace unique (workspace_id, id)
);

create table day (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  programme_id bigint not null,
  week integer not null constraint day_week check (week between 1 and 52),
  weekday integer not null constraint day_weekday check (weekday between 1 and 7),
  text text not null default '' constraint day_text_size check (octet_length(text) <= 200000),
  -- Counts every change of the text, so that a stale writer is noticed.
  revision integer not null default 1,
  -- The revision that was marked ready; any later change takes the mark away.
  ready_revision integer,
  changed_at timestamptz not null,
  foreign key (workspace_id, programme_id) references programme (workspace_id, id) on delete cascade,
  constraint day_place_unique unique (programme_id, week, weekday),
  constraint day_in_workspace unique (workspace_id, id)
);

create table run (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  programme_id bigint not null,
  starts_on date not null constraint run_starts_on_monday check (extract(isodow from starts_on) = 1),
  release_time time not null default '05:00',
  foreign key (workspace_id, programme_id) references programme (workspace_id, id) on delete cascade,
  constraint run_one_per_programme unique (programme_id),
  constraint run_in_workspace unique (workspace_id, id)
);

create table person (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  name text not null constraint person_name_length check (length(name) between 1 and 80),
  detail text not null default '' constraint person_detail_length check (length(detail) <= 80),
  time_zone text not null,
  constraint person_in_workspace unique (workspace_id, id)
);

create table enrolment (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  run_id bigint not null,
  person_id bigint not null,
  joined_on date not null,
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade,
  foreign key (workspace_id, person_id) references person (workspace_id, id) on delete cascade,
  constraint enrolment_once unique (run_id, person_id),
  constraint enrolment_in_workspace unique (workspace_id, id)
);

create table personal_link (
  token_hash bytea primary key,
  workspace_id bigint not null,
  enrolment_id bigint not null,
  created_at timestamptz not null,
  revoked_at timestamptz,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade
);
create index personal_link_enrolment on personal_link (enrolment_id);

create table version (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  run_id bigint not null,
  day_id bigint not null,
  number integer not null constraint version_number check (number >= 1),
  text text not null,
  document jsonb not null,
  change_note text not null default '' constraint version_change_note_length check (length(change_note) <= 500),
  sent_at timestamptz not null,
  sent_by bigint not null,
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade,
  foreign key (workspace_id, day_id) references day (workspace_id, id) on delete cascade,
  constraint version_number_unique unique (run_id, day_id, number),
  constraint version_in_workspace unique (workspace_id, id)
);

create table record (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  enrolment_id bigint not null,
  version_id bigint not null,
  -- Made on the device: a retry brings the same one and is stored once.
  client_id uuid not null,
  outcome text not null constraint record_outcome check (outcome in ('done', 'part', 'not-done')),
  share_ratio real not null constraint record_share check (share_ratio between 0 and 1),
  effort smallint constraint record_effort check (effort between 0 and 10),
  remark text not null default '' constraint record_remark_length check (length(remark) <= 1000),
  scores jsonb not null default '[]',
  logged_at timestamptz not null,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  foreign key (workspace_id, version_id) references version (workspace_id, id),
  constraint record_once unique (enrolment_id, client_id)
);
create index record_by_version on record (version_id);
create index record_by_enrolment on record (enrolment_id, logged_at);

-- A sent version and a record are never changed, by whomever; they go only with what they belong to.
create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception '% rows are never changed', tg_table_name using errcode = 'integrity_constraint_violation';
end $$;
create trigger version_is_immutable before update on version for each row execute function refuse_change();
create trigger record_is_immutable before update on record for each row execute function refuse_change();

-- Workspaces apart: without the setting, current_setting gives null and no row is seen.
do $$
declare
  t text;
begin
  foreach t in array array['coach', 'coach_session', 'programme', 'day', 'run', 'person', 'enrolment', 'personal_link', 'version', 'record'] loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_workspace on %I using (workspace_id = nullif(current_setting(''ysodos.workspace_id'', true), '''')::bigint)', t);
  end loop;
end $$;
alter table workspace enable row level security;
create policy own_workspace on workspace using (id = nullif(current_setting('ysodos.workspace_id', true), '')::bigint);

grant usage on schema public to ysodos_app;
grant select on workspace, coach to ysodos_app;
grant select, insert, update, delete on coach_session, programme, day, run, person, enrolment, personal_link to ysodos_app;
grant select, insert on version, record to ysodos_app;
grant select, insert, delete on sign_in_attempt to ysodos_app;

-- The three doors: who comes in is not in a workspace yet, so these look across all of them, by one exact key.
create function find_coach_by_email(wanted text)
returns table (coach_id bigint, workspace_id bigint, password_hash text)
language sql stable security definer set search_path = public as $$
  select c.id, c.workspace_id, c.password_hash from coach c where c.email = lower(wanted)
$$;

create function find_coach_session(wanted bytea, at timestamptz)
returns table (coach_id bigint, workspace_id bigint, coach_name text, workspace_name text)
language sql stable security definer set search_path = public as $$
  select c.id, c.workspace_id, c.name, w.name
  from coach_session s
  join coach c on c.id = s.coach_id
  join workspace w on w.id = c.workspace_id
  where s.token_hash = wanted and s.expires_at > at
$$;

create function find_personal_link(wanted bytea)
returns table (workspace_id bigint, enrolment_id bigint)
language sql stable security definer set search_path = public as $$
  select l.workspace_id, l.enrolment_id from personal_link l where l.token_hash = wanted and l.revoked_at is null
$$;

revoke execute on function find_coach_by_email(text), find_coach_session(bytea, timestamptz), find_personal_link(bytea) from public;
grant execute on function find_coach_by_email(text), find_coach_session(bytea, timestamptz), find_personal_link(bytea) to ysodos_app;
