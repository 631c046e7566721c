-- Sends are decided, and being away is nobody's fault. Older workers must not run beside it: they would send what is held back.

-- The last sign of life of workers, of web processes and of the mail server, by the database's clock and by the application's.
create table pulse (
  kind text primary key constraint pulse_kind check (kind in ('work', 'serve', 'mail')),
  seen_at timestamptz not null,
  app_at timestamptz not null,
  -- Of mail alone: nothing has been accepted since.
  failing_since timestamptz
);
-- What was away, from when to when, by the application's clock.
create table outage (
  id bigint generated always as identity primary key,
  kind text not null constraint outage_kind check (kind in ('work', 'serve', 'mail')),
  from_at timestamptz not null,
  to_at timestamptz not null,
  constraint outage_order check (to_at > from_at)
);
create index outage_by_end on outage (to_at);
drop table worker_pulse;
grant select on pulse, outage to ysodos_app;

-- Notes a sign of life; a silence before it becomes an outage. True where there was one.
create function beat(wanted text, app_now timestamptz) returns boolean
language plpgsql volatile security definer set search_path = public as $$
declare
  was pulse;
  silent boolean;
begin
  insert into pulse (kind, seen_at, app_at) values (wanted, clock_timestamp(), app_now) on conflict do nothing;
  if found then
    return false;
  end if;
  select * into was from pulse where kind = wanted for update;
  silent := was.seen_at < clock_timestamp() - interval '2 minutes' and was.app_at < app_now;
  if silent then
    insert into outage (kind, from_at, to_at) values (wanted, was.app_at, app_now);
  end if;
  update pulse set seen_at = clock_timestamp(), app_at = app_now where kind = wanted;
  return silent;
end $$;

-- Notes whether the mail server takes messages. A time in which it took none becomes an outage once it takes one again.
create function note_mail(is_taken boolean, app_now timestamptz) returns void
language plpgsql volatile security definer set search_path = public as $$
declare
  was pulse;
begin
  insert into pulse (kind, seen_at, app_at) values ('mail', clock_timestamp(), app_now) on conflict do nothing;
  select * into was from pulse where kind = 'mail' for update;
  if is_taken and was.failing_since < app_now then
    insert into outage (kind, from_at, to_at) values ('mail', was.failing_since, app_now);
  end if;
  update pulse set seen_at = clock_timestamp(), app_at = app_now,
    failing_since = case when is_taken then null else coalesce(was.failing_since, app_now) end
  where kind = 'mail';
end $$;

-- The times in which nothing went out or could be opened, those that still last included: without an end.
create function list_gaps() returns jsonb
language sql stable security definer set search_path = public as $$
  select jsonb_agg(jsonb_build_object('kind', g.kind, 'fromMs', floor(extract(epoch from g.from_at) * 1000), 'toMs', floor(extract(epoch from g.to_at) * 1000)) order by g.from_at)
  from (
    (select o.kind, o.from_at, o.to_at from outage o where o.kind <> 'mail' order by o.to_at desc limit 200)
    union all
    select p.kind, p.app_at, null from pulse p where p.kind <> 'mail' and p.seen_at < clock_timestamp() - interval '2 minutes'
  ) g
$$;
do $$
declare
  f text;
begin
  foreach f in array array['beat(text, timestamptz)', 'note_mail(boolean, timestamptz)', 'list_gaps()'] loop
    execute format('revoke execute on function %s from public', f);
    execute format('grant execute on function %s to ysodos_app', f);
  end loop;
end $$;

-- A day held back from one person: for the minutes in which a press can be taken back, until the coach lets it go, or for good.
create table release_stop (
  workspace_id bigint not null,
  enrolment_id bigint not null,
  day_id bigint not null,
  kind text not null constraint release_stop_kind check (kind in ('grace', 'held', 'left-out')),
  made_at timestamptz not null,
  made_by bigint,
  -- Null: until further notice.
  until timestamptz,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  foreign key (workspace_id, day_id) references day (workspace_id, id) on delete cascade,
  foreign key (workspace_id, made_by) references coach (workspace_id, id),
  constraint release_stop_order check (until is null or until >= made_at),
  primary key (enrolment_id, day_id)
);
create index release_stop_by_day on release_stop (day_id);

-- What a coach decided about a day that was over for some before it had gone out to them.
create table late_choice (
  workspace_id bigint not null,
  run_id bigint not null,
  day_id bigint not null,
  -- Empty: for all.
  time_zone text not null default '',
  choice text not null constraint late_choice_choice check (choice in ('send', 'leave')),
  made_at timestamptz not null,
  made_by bigint,
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade,
  foreign key (workspace_id, day_id) references day (workspace_id, id) on delete cascade,
  foreign key (workspace_id, made_by) references coach (workspace_id, id),
  primary key (run_id, day_id, time_zone)
);

-- A run's plan moved on: from a place on, its days come so many weeks later, for all or for one zone.
create table run_shift (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  run_id bigint not null,
  week integer not null,
  weekday integer not null constraint run_shift_weekday check (weekday between 1 and 7),
  weeks integer not null constraint run_shift_weeks check (weeks between 1 and 8),
  time_zone text,
  made_at timestamptz not null,
  made_by bigint,
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade,
  foreign key (workspace_id, made_by) references coach (workspace_id, id)
);
create index run_shift_by_run on run_shift (run_id);

do $$
declare
  t text;
begin
  foreach t in array array['release_stop', 'late_choice', 'run_shift'] loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_workspace on %I using (workspace_id = (select nullif(current_setting(''ysodos.workspace_id'', true), '''')::bigint))', t);
  end loop;
end $$;
grant select, insert, update, delete on release_stop, late_choice, run_shift to ysodos_app;

-- The revision of its text that a coach has read. What was typed by hand or marked ready was read; what a track wrote wasn't.
alter table day add column read_revision integer;
update day set read_revision = revision where ready_revision = revision or (text <> '' and track_id is null);

-- A message to several that a press has caused waits until then, and can be stopped.
alter table message add column stoppable_until timestamptz;
create index message_stoppable on message (run_id) where stoppable_until is not null and state = 'waiting';
