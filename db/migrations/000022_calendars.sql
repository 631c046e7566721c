-- A session keeps its identity wherever it is moved: calendars know it by that.
alter table day add column session uuid not null default gen_random_uuid();
alter table day add constraint day_session_once unique (workspace_id, session) deferrable initially deferred;

-- What a calendar that goes out was last given: from it come sequences, when something changed, and what is called off.
create table calendar_entry (
  workspace_id bigint not null references workspace,
  uid text not null constraint calendar_entry_uid_length check (length(uid) between 1 and 100),
  enrolment_id bigint,
  run_id bigint,
  event json not null,
  sequence integer not null,
  changed_at timestamptz not null,
  gone_at timestamptz,
  primary key (workspace_id, uid),
  constraint calendar_entry_of_one check (num_nonnulls(enrolment_id, run_id) = 1),
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade
);
create index calendar_entry_of_enrolment on calendar_entry (workspace_id, enrolment_id);
create index calendar_entry_of_run on calendar_entry (workspace_id, run_id);
alter table calendar_entry enable row level security;
create policy own_workspace on calendar_entry using (workspace_id = (select nullif(current_setting('ysodos.workspace_id', true), '')::bigint));
grant select, insert, update, delete on calendar_entry to ysodos_app;

-- The hour at which someone's sessions stand in their calendar (null: when they open), and minutes before it that they are reminded.
alter table person
  add column calendar_at time,
  add column calendar_alarm smallint constraint person_calendar_alarm check (calendar_alarm between 0 and 1440),
  drop column sequence;
alter table run drop column sequence;
