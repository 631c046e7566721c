-- Which workspace it is, is asked once a statement instead of once a row.
do $$
declare
  t text;
begin
  for t in select tablename from pg_policies where schemaname = 'public' and policyname = 'own_workspace' loop
    execute format(
      'alter policy own_workspace on %I using (%I = (select nullif(current_setting(''ysodos.workspace_id'', true), '''')::bigint))',
      t, case when t = 'workspace' then 'id' else 'workspace_id' end);
  end loop;
end $$;
