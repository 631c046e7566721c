-- What lists say of a sent version, without unpacking its document for it.
alter table version
  add column title text generated always as (document ->> 'title') stored,
  add column retest text generated always as (document ->> 'retest') stored;

-- What was said today and yesterday, out of all that was ever said.
create index record_by_time on record (workspace_id, logged_at);
