-- What lists say of a sent version, without unpacking its document for it.
alter table version
  add column title text generated always as (document ->> 'title') stored,
  add column retest text generated always as (document ->> 'retest') stored;
