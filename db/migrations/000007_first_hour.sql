-- A run may begin on any weekday; its weeks are counted from it.
alter table run drop constraint run_starts_on_monday;

-- What was said lately, version by version, without reading all that was ever said.
create index record_lately on record (version_id, logged_at);
