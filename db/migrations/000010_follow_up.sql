-- What stands of each person and day, what a coach did about someone, what was proposed, teams and letters. Older code goes on: the
-- table of what stands follows from the records by itself.

-- The record that counts of each person and day: the newest by when it was made. Follows from `record` alone and can be made anew.
create table standing (
  workspace_id bigint not null,
  run_id bigint not null,
  enrolment_id bigint not null,
  day_id bigint not null,
  record_id bigint not null,
  version_id bigint not null,
  outcome text not null,
  share_ratio real not null,
  effort smallint,
  made_at timestamptz not null,
  -- What there is in it beside, so that hundreds of thousands needn't be opened for it: numbers, another shape, something said of the
  -- body, of weights or turns; and the last block that the clock ran in.
  has_scores boolean not null,
  has_swaps boolean not null,
  has_details boolean not null,
  last_block smallint,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  primary key (enrolment_id, day_id)
);
create index standing_by_run on standing (run_id, record_id);
create index standing_scores on standing (run_id, day_id) where has_scores;
create index standing_swaps on standing (run_id) where has_swaps;
create index standing_details on standing (run_id, day_id) where has_details;
create index standing_parts on standing (run_id) where outcome = 'part';

create function standing_of(scores jsonb, fit jsonb, details jsonb)
returns table (has_scores boolean, has_swaps boolean, has_details boolean, last_block smallint) language sql immutable as $$
  select scores <> '[]'::jsonb, fit <> '[]'::jsonb or details ? 'chosen',
    details ?| array['loads', 'overran'] or coalesce(details ->> 'body' = 'hurts', false),
    case when details ? 'ranSec' then (select max(k::smallint) from jsonb_object_keys(details -> 'ranSec') k where k ~ '^[0-9]{1,3}$') end
$$;

create function keep_standing() returns trigger language plpgsql as $$
begin
  insert into standing (workspace_id, run_id, enrolment_id, day_id, record_id, version_id, outcome, share_ratio, effort, made_at,
    has_scores, has_swaps, has_details, last_block)
  select distinct on (a.enrolment_id, v.day_id) a.workspace_id, v.run_id, a.enrolment_id, v.day_id, a.id, a.version_id, a.outcome, a.share_ratio, a.effort, a.made_at, s.*
  from added a join version v on v.id = a.version_id cross join lateral standing_of(a.scores, a.fit, a.details) s
  order by a.enrolment_id, v.day_id, a.made_at desc, a.id desc
  on conflict (enrolment_id, day_id) do update
    set record_id = excluded.record_id, version_id = excluded.version_id, outcome = excluded.outcome, share_ratio = excluded.share_ratio,
      effort = excluded.effort, made_at = excluded.made_at, run_id = excluded.run_id, has_scores = excluded.has_scores,
      has_swaps = excluded.has_swaps, has_details = excluded.has_details, last_block = excluded.last_block
    where (standing.made_at, standing.record_id) < (excluded.made_at, excluded.record_id);
  return null;
end $$;
create trigger record_stands after insert on record referencing new table as added for each statement execute function keep_standing();

insert into standing (workspace_id, run_id, enrolment_id, day_id, record_id, version_id, outcome, share_ratio, effort, made_at,
  has_scores, has_swaps, has_details, last_block)
select distinct on (r.enrolment_id, v.day_id) r.workspace_id, v.run_id, r.enrolment_id, v.day_id, r.id, r.version_id, r.outcome, r.share_ratio, r.effort, r.made_at, s.*
from record r join version v on v.id = r.version_id cross join lateral standing_of(r.scores, r.fit, r.details) s
order by r.enrolment_id, v.day_id, r.made_at desc, r.id desc;

-- Which rules ask for attention in a run, where they aren't the usual: by code, a threshold or that it is off.
alter table run
  add column attention jsonb not null default '{}',
  -- What all sum up together: words, and the movements that count.
  add column shared jsonb,
  add column has_boards boolean not null default false;

-- What a coach did about someone, and notes of theirs.
create table coach_act (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  enrolment_id bigint not null,
  coach_id bigint,
  kind text not null constraint coach_act_kind check (kind in ('note', 'wrote', 'asked', 'excused', 'paused', 'eased', 'swapped', 'snoozed', 'seen')),
  -- The rule that had asked for it; empty for what a coach did of their own accord.
  code text not null default '' constraint coach_act_code_length check (length(code) <= 40),
  -- The occasion: what was seen is quiet until there is a new one.
  occasion text not null default '' constraint coach_act_occasion_length check (length(occasion) <= 80),
  words text not null default '' constraint coach_act_words_length check (length(words) <= 2000),
  until_on date,
  -- What it takes to go back.
  was jsonb not null default '{}',
  made_at timestamptz not null,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  foreign key (workspace_id, coach_id) references coach (workspace_id, id)
);
create index coach_act_by_enrolment on coach_act (enrolment_id, made_at desc);

-- What was proposed for a person (or, without one, for all) and what came of it. `was` is what it takes to go back.
create table proposal_answer (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  run_id bigint not null,
  enrolment_id bigint,
  key text not null constraint proposal_answer_key_length check (length(key) between 1 and 200),
  answer text not null constraint proposal_answer_answer check (answer in ('accepted', 'declined')),
  words text not null constraint proposal_answer_words_length check (length(words) <= 500),
  change jsonb not null default '{}',
  was jsonb not null default '{}',
  coach_id bigint,
  answered_at timestamptz not null,
  undone_at timestamptz,
  foreign key (workspace_id, run_id) references run (workspace_id, id) on delete cascade,
  foreign key (workspace_id, enrolment_id) references enrolment (workspace_id, id) on delete cascade,
  foreign key (workspace_id, coach_id) references coach (workspace_id, id)
);
create index proposal_answer_by_run on proposal_answer (run_id, key);

alter table person
  -- Counts and weights of their own, by movement and from a date on.
  add column doses jsonb not null default '[]',
  -- How they stand on a board: by name, under another, or not at all.
  add column board text not null default 'name' constraint person_board check (board in ('name', 'alias', 'out')),
  add column alias text not null default '' constraint person_alias_length check (length(alias) <= 40);

alter table message drop constraint message_kind;
alter table message add constraint message_kind
  check (kind in ('session', 'change', 'withdrawn', 'rest', 'reminder', 'live', 'confirm', 'flag', 'reset', 'invite', 'test', 'note', 'letter'));

do $$
declare
  t text;
begin
  foreach t in array array['standing', 'coach_act', 'proposal_answer'] loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_workspace on %I using (workspace_id = (select nullif(current_setting(''ysodos.workspace_id'', true), '''')::bigint))', t);
  end loop;
end $$;
grant select, insert, update, delete on standing, coach_act, proposal_answer to ysodos_app;
