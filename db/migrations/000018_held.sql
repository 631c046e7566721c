-- The week of the programme whose numbers someone keeps until they are let go; null: they go on with everybody.
alter table enrolment add column held_week smallint constraint enrolment_held_week check (held_week between 1 and 52);
