-- Stored routines: blocks that a coach keeps to insert or to refer to (`routine NAME`). Nothing breaks for older code.
create table routine (
  id bigint generated always as identity primary key,
  workspace_id bigint not null references workspace,
  name text not null constraint routine_name_length check (length(name) between 1 and 80),
  -- One block in session notation: its header and its items.
  text text not null constraint routine_text_length check (length(text) between 1 and 20000),
  changed_at timestamptz not null,
  constraint routine_in_workspace unique (workspace_id, id)
);
create unique index routine_name_unique on routine (workspace_id, lower(name));

alter table routine enable row level security;
create policy own_workspace on routine using (workspace_id = nullif(current_setting('ysodos.workspace_id', true), '')::bigint);
grant select, insert, update, delete on routine to ysodos_app;
