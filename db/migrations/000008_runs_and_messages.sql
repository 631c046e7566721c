-- Runs beside and after one another, what goes out by itself, and the messages that say so. Older code must not run beside it:
-- links belong to people now, and a person's address has a name of its own.

-- Runs. Those that exist were sent by hand, and stay so.
alter table run drop constraint run_one_per_programme;
alter table run
  add column title text not null default '' constraint run_title_length check (length(title) <= 80),
  add column calendar text not null default 'host' constraint run_calendar check (calendar in ('host', 'own')),
  -- Null: at the release time of each person's own clock; else of this zone's, one instant for all.
  add column release_zone text,
  add column is_by_hand boolean not null default true,
  add column look_ahead_days integer not null default 0 constraint run_look_ahead check (look_ahead_days between 0 and 14),
  -- Null: at any time.
  add column make_up_days integer constraint run_make_up check (make_up_days between 0 and 60),
  add column joins_late text not null default 'with-rest' constraint run_joins_late check (joins_late in ('with-rest', 'from-day-1')),
  add column held_at timestamptz,
  add column ended_on date,
  add column archived_at timestamptz,
  add column join_code text constraint run_join_code_shape check (join_code ~ '^[a-z0-9]{12,40}$'),
  add column join_open boolean not null default false,
  add column join_limit integer constraint run_join_limit check (join_limit between 1 and 20000),
  add column join_words text not null default '' constraint run_join_words_length check (length(join_words) <= 500),
  add column feed_hash bytea,
  -- Counts changes that move dates, for calendars.
  add column sequence integer not null default 0;
alter table run alter column is_by_hand set default false;
create index run_by_programme on run (programme_id);
create unique index run_join_code_unique on run (join_code) where join_code is not null;
create unique index run_feed_unique on run (feed_hash) where feed_hash is not null;

-- A day of a run: withdrawn, or held back, and what it is where it is live.
create table run_day (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  run_id bigint not null,
  day_id bigint not null,
  withdrawn_at timestamptz,
  withdrawn_note text not null default '' constraint run_day_withdrawn_note_length check (length(withdrawn_note) <= 500),
  -- Counts withdrawals and changes of a live date, for calendars.
  sequence integer not null default 0,
  live_at timestamptz,
  live_place text not null default '' constraint run_day_live_place_length check (length(live_place) <= 300),
  live_limit integer constraint run_day_live_limit check (live_limit between 1 and 20000),
  live_code text constraint run_day_live_code_shape check (live_code ~ '^[0-9A-Z]{4,8}$'),
  live_minutes integer not null default 60 constraint run_day_live_minutes check (live_minutes between 5 and 600),
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade,
  foreign key (workspace_id, day_id) references day (workspace_id, id) on delete cascade,
  constraint run_day_once unique (run_id, day_id),
  constraint run_day_in_workspace unique (workspace_id, id)
);

alter table version alter column sent_by drop not null;
create index version_by_day on version (day_id, run_id, number desc);

-- People: where they are reached and by what, and when they aren't to be.
alter table person rename column channel to address;
alter table person rename constraint person_channel_length to person_address_length;
alter table person
  add column channel text not null default 'none' constraint person_channel check (channel in ('email', 'text', 'none')),
  -- given: by the coach; asked: by themselves, not yet confirmed; confirmed; bounced; stopped: they want no messages.
  add column address_state text not null default 'given' constraint person_address_state check (address_state in ('given', 'asked', 'confirmed', 'bounced', 'stopped')),
  add column address_reason text not null default '' constraint person_address_reason_length check (length(address_reason) <= 300),
  add column quiet_from time,
  add column quiet_to time,
  -- Counts changes that move their dates, for calendars.
  add column sequence integer not null default 0,
  add column wants_rest_days boolean not null default false,
  add column reminder_at time,
  -- Opens nothing but the end of messages, and the confirmation of an address.
  add column stop_key uuid not null default gen_random_uuid(),
  add constraint person_quiet_whole check ((quiet_from is null) = (quiet_to is null));
update person set channel = case
  when address ~ '^[^@\s]+@[^@\s]+\.[^@\s]+$' then 'email'
  when address ~ '^\+?[0-9][0-9 ()/-]{5,}$' then 'text'
  else 'none' end;
create unique index person_stop_key on person (stop_key);

alter table enrolment
  -- Their own day 1, where they don't go by the run's.
  add column starts_on date,
  add column weekdays smallint[],
  add column left_on date,
  -- A lighter way back in, until that day.
  add column eased_until date;

create table absence (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  enrolment_id bigint not null,
  kind text not null constraint absence_kind check (kind in ('pause', 'excused')),
  from_on date not null,
  to_on date,
  said_by text not null constraint absence_said_by check (said_by in ('coach', 'person')),
  note text not null default '' constraint absence_note_length check (length(note) <= 200),
  made_at timestamptz not null,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  constraint absence_order check (to_on is null or to_on >= from_on)
);
create index absence_by_enrolment on absence (enrolment_id);

-- Links belong to people: one link, whatever runs they are in. `personal` is handed out; `message` goes into their messages and is
-- made anew from its salt and a secret that the database doesn't hold; `calendar` opens their calendar alone.
alter table personal_link
  add column person_id bigint,
  add column kind text not null default 'personal' constraint personal_link_kind check (kind in ('personal', 'message', 'calendar')),
  add column salt uuid;
update personal_link l set person_id = e.person_id from enrolment e where e.id = l.enrolment_id;
-- Of someone in several runs, the newest is kept.
update personal_link l set revoked_at = now()
where l.revoked_at is null and exists (
  select from personal_link n where n.person_id = l.person_id and n.revoked_at is null and (n.created_at, n.token_hash) > (l.created_at, l.token_hash));
drop index personal_link_one_works;
drop index personal_link_enrolment;
drop function find_personal_link(bytea);
drop function enter_by_link(bytea);
alter table personal_link drop column enrolment_id;
alter table personal_link alter column person_id set not null;
alter table personal_link add constraint personal_link_person foreign key (workspace_id, person_id) references person (workspace_id, id) on delete cascade;
create unique index personal_link_one_works on personal_link (person_id, kind) where revoked_at is null;

create function enter_by_link(wanted bytea, wanted_kinds text[])
returns table (workspace_id bigint, person_id bigint)
language plpgsql volatile security definer set search_path = public as $$
begin
  select l.workspace_id, l.person_id into workspace_id, person_id
  from personal_link l where l.token_hash = wanted and l.revoked_at is null and l.kind = any(wanted_kinds);
  if found then
    perform set_config('ysodos.workspace_id', workspace_id::text, true);
    return next;
  end if;
end $$;

-- What was released to whom: once for each person and day. The version is the newest until they have begun; then theirs stays.
create table release (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  enrolment_id bigint not null,
  day_id bigint not null,
  version_id bigint not null,
  released_at timestamptz not null,
  -- It went through a release, with a message for who is reached by one; otherwise they came upon it themselves.
  is_told boolean not null default false,
  opened_at timestamptz,
  begun_at timestamptz,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  foreign key (workspace_id, version_id) references version (workspace_id, id),
  constraint release_once unique (enrolment_id, day_id)
);
create index release_by_day on release (day_id);

-- What people, and coaches, are told. Once for each of person, day, kind, version and repetition.
create table message (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  person_id bigint,
  enrolment_id bigint,
  coach_id bigint,
  run_id bigint,
  day_id bigint,
  version_id bigint,
  kind text not null constraint message_kind check (kind in ('session', 'change', 'withdrawn', 'rest', 'reminder', 'live', 'confirm', 'flag', 'reset', 'invite', 'test')),
  number integer not null default 0,
  repetition integer not null default 0,
  channel text not null constraint message_channel check (channel in ('email', 'text')),
  address text not null,
  -- waiting: to be sent, perhaps again; sending: someone has it; accepted: the server has it; the rest are ends.
  state text not null default 'waiting' constraint message_state check (state in ('waiting', 'sending', 'accepted', 'bounced', 'refused', 'gave-up', 'dropped')),
  reason text not null default '' constraint message_reason_length check (length(reason) <= 300),
  attempts integer not null default 0,
  next_try_at timestamptz not null,
  -- Whoever has it to send has it until then.
  lease_until timestamptz,
  -- After this it isn't worth sending.
  expires_at timestamptz not null,
  accepted_at timestamptz,
  created_at timestamptz not null,
  extra jsonb not null default '{}',
  foreign key (workspace_id, person_id) references person (workspace_id, id) on delete cascade,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  foreign key (workspace_id, coach_id) references coach (workspace_id, id) on delete cascade,
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade,
  constraint message_to_somebody check ((person_id is null) <> (coach_id is null))
);
create unique index message_once on message (enrolment_id, day_id, kind, number, repetition) where enrolment_id is not null;
create unique index message_once_coach on message (coach_id, run_id, day_id, kind, number, repetition) where coach_id is not null and kind = 'flag';
create index message_waiting on message (next_try_at) where state in ('waiting', 'sending');
create index message_by_run on message (run_id, created_at desc, id desc);
create index message_by_day on message (run_id, day_id) where day_id is not null;

-- A day that isn't ready, told once for each of two days, one day and three hours ahead.
create table day_flag (
  workspace_id bigint not null,
  run_id bigint not null,
  day_id bigint not null,
  hours_ahead integer not null,
  raised_at timestamptz not null,
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade,
  foreign key (workspace_id, day_id) references day (workspace_id, id) on delete cascade,
  primary key (run_id, day_id, hours_ahead)
);

-- Who comes to a live session: said before, and ticked there.
create table live_reply (
  workspace_id bigint not null,
  run_day_id bigint not null,
  enrolment_id bigint not null,
  answer text not null constraint live_reply_answer check (answer in ('yes', 'no')),
  answered_at timestamptz not null,
  came_at timestamptz,
  foreign key (workspace_id, run_day_id) references run_day (workspace_id, id) on delete cascade,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  primary key (run_day_id, enrolment_id)
);

-- Doors that a coach gets by message: a new password, or a place in a workspace. Used once.
create table coach_door (
  token_hash bytea primary key,
  workspace_id bigint not null references workspace,
  kind text not null constraint coach_door_kind check (kind in ('reset', 'invite')),
  coach_id bigint,
  email text not null constraint coach_door_email_lower check (email = lower(email)),
  salt uuid not null,
  expires_at timestamptz not null,
  used_at timestamptz,
  foreign key (workspace_id, coach_id) references coach (workspace_id, id) on delete cascade
);

do $$
declare
  t text;
begin
  foreach t in array array['run_day', 'absence', 'release', 'message', 'day_flag', 'live_reply', 'coach_door'] loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_workspace on %I using (workspace_id = (select nullif(current_setting(''ysodos.workspace_id'', true), '''')::bigint))', t);
  end loop;
end $$;
grant select, insert, update, delete on run_day, absence, release, message, day_flag, live_reply, coach_door to ysodos_app;
grant insert, update (password_hash, name) on coach to ysodos_app;

-- When a worker was last at work, by the database's own clock: pages say so where none is.
create table worker_pulse (
  one boolean primary key default true constraint worker_pulse_one check (one),
  seen_at timestamptz not null
);
grant select, insert, update on worker_pulse to ysodos_app;

-- Doors for what works by itself: which workspaces have something to do, without seeing what.
create function list_live_runs() returns table (workspace_id bigint, run_id bigint)
language sql stable security definer set search_path = public as $$
  select r.workspace_id, r.id from run r where r.archived_at is null and r.held_at is null order by r.id
$$;
create function list_waiting_workspaces(at timestamptz) returns table (workspace_id bigint)
language sql stable security definer set search_path = public as $$
  select distinct m.workspace_id from message m
  where m.state in ('waiting', 'sending') and m.next_try_at <= at and (m.lease_until is null or m.lease_until <= at)
$$;
create function find_message_workspace(wanted bigint) returns bigint
language sql stable security definer set search_path = public as $$
  select m.workspace_id from message m where m.id = wanted
$$;
create function find_stop_key(wanted uuid) returns table (workspace_id bigint, person_id bigint)
language sql stable security definer set search_path = public as $$
  select p.workspace_id, p.id from person p where p.stop_key = wanted
$$;
create function find_join(wanted text) returns table (workspace_id bigint, run_id bigint)
language sql stable security definer set search_path = public as $$
  select r.workspace_id, r.id from run r where r.join_code = wanted
$$;
create function find_run_feed(wanted bytea) returns table (workspace_id bigint, run_id bigint)
language sql stable security definer set search_path = public as $$
  select r.workspace_id, r.id from run r where r.feed_hash = wanted and r.archived_at is null
$$;
create function find_coach_door(wanted bytea, at timestamptz)
returns table (workspace_id bigint, kind text, coach_id bigint, email text)
language sql stable security definer set search_path = public as $$
  select d.workspace_id, d.kind, d.coach_id, d.email from coach_door d
  where d.token_hash = wanted and d.used_at is null and d.expires_at > at
$$;
do $$
declare
  f text;
begin
  foreach f in array array['enter_by_link(bytea, text[])', 'list_live_runs()', 'list_waiting_workspaces(timestamptz)', 'find_message_workspace(bigint)',
    'find_stop_key(uuid)', 'find_join(text)', 'find_run_feed(bytea)', 'find_coach_door(bytea, timestamptz)'] loop
    execute format('revoke execute on function %s from public', f);
    execute format('grant execute on function %s to ysodos_app', f);
  end loop;
end $$;
