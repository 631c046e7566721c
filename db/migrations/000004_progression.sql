-- A programme that progresses: tracks with levers, pins, blocked days, the last changes for undo, templates. Nothing breaks
-- for older code: what it writes to a day's text counts as changed by hand.

alter table programme
  -- Counts every change of the plan, so that a stale planner is noticed.
  add column revision integer not null default 1,
  -- Lighter weeks, themes, tracks, blocked days, guard rails, and fields of files that nobody here knows.
  add column frame jsonb not null default '{}' constraint programme_frame_object check (jsonb_typeof(frame) = 'object');

alter table day
  add column track_id text constraint day_track_id_length check (length(track_id) between 1 and 61),
  -- The week of its track's progression that this session is.
  add column track_week integer constraint day_track_week check (track_week between 1 and 52),
  -- What the track wrote here; a text that differs is pinned, and so is one where this is null.
  add column generated_text text,
  add column theme text constraint day_theme_length check (length(theme) between 1 and 20),
  add column extra jsonb,
  add constraint day_track_whole check ((track_id is null) = (track_week is null));

-- What a change to a plan touched, as it was before and after: undo and redo put it back.
create table programme_change (
  id bigint generated always as identity primary key,
  workspace_id bigint not null,
  programme_id bigint not null,
  words text not null constraint programme_change_words_length check (length(words) between 1 and 200),
  before jsonb not null,
  after jsonb not null,
  made_at timestamptz not null,
  made_by bigint not null,
  is_undone boolean not null default false,
  foreign key (workspace_id, programme_id) references programme (workspace_id, id) on delete cascade,
  foreign key (workspace_id, made_by) references coach (workspace_id, id) on delete cascade
);
create index programme_change_by_programme on programme_change (programme_id, id);

-- A programme saved without people and dates.
create table template (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  title text not null constraint template_title_length check (length(title) between 1 and 120),
  document jsonb not null,
  changed_at timestamptz not null
);
create unique index template_title_unique on template (workspace_id, lower(title));

do $$
declare
  t text;
begin
  foreach t in array array['programme_change', 'template'] loop
    execute format('alter table %I enable row level security', t);
    execute format(
      'create policy own_workspace on %I using (workspace_id = nullif(current_setting(''ysodos.workspace_id'', true), '''')::bigint)', t);
  end loop;
end $$;
grant select, insert, update, delete on programme_change, template to ysodos_app;
