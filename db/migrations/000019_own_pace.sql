-- How quick someone is beside what is planned with, as their own records show it: factor, its bounds, and how many blocks it rests on.
alter table enrolment add column pace jsonb;
