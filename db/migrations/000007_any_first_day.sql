-- A run may begin on any weekday; its weeks are counted from it.
alter table run drop constraint run_starts_on_monday;
