-- Each question that several statements ask has one answer. They are put into the statements that ask them, and cost nothing.

-- In a run now: has joined it, and not left.
create function is_in_run(e enrolment) returns boolean
language sql immutable as $$
  select e.left_on is null
$$;

-- Takes part in a run on a day: has joined by then, and not left before it.
create function takes_part(e enrolment, day_on date) returns boolean
language sql immutable as $$
  select e.joined_on <= day_on and (e.left_on is null or e.left_on >= day_on)
$$;

-- Whether someone is away on a day by this pause or excused day.
create function is_away_by(a absence, day_on date) returns boolean
language sql immutable as $$
  select a.from_on <= day_on and (a.to_on is null or a.to_on >= day_on)
$$;

-- Whether a day is held back by this at a moment.
create function holds_back(s release_stop, at timestamptz) returns boolean
language sql immutable as $$
  select s.until is null or s.until > at
$$;

-- Whether a message of ours may go to someone, should their address still have to prove itself.
create function may_be_written_to(p person) returns boolean
language sql immutable as $$
  select p.channel <> 'none' and p.address <> '' and p.address_state <> 'stopped' and p.closed_at is null
$$;

-- By which channel a message of ours reaches someone; 'none' where none does.
create function reached_by(p person) returns text
language sql immutable as $$
  select case when is_reached(p) then p.channel else 'none' end
$$;

-- What is sent of each day in each run: its newest version, and when it was first sent.
create view sent_day with (security_invoker = true) as
  select distinct on (run_id, day_id) v.*, min(sent_at) over (partition by run_id, day_id) as first_sent_at
  from version v
  order by run_id, day_id, number desc;
grant select on sent_day to ysodos_app;

grant execute on function is_in_run(enrolment), takes_part(enrolment, date), is_away_by(absence, date), holds_back(release_stop, timestamptz),
  may_be_written_to(person), reached_by(person) to ysodos_app;

-- A message that is about no day has none.
drop index message_once;
update message set day_id = null where day_id = 0;
-- Words to someone had no day before, and none of them was numbered: each is one more of its kind.
update message m set repetition = n.repetition
from (
  select id, row_number() over (partition by enrolment_id, kind, number order by repetition, id) - 1 as repetition
  from message where enrolment_id is not null and day_id is null
) n
where n.id = m.id and n.repetition <> m.repetition;
create unique index message_once on message (enrolment_id, day_id, kind, number, repetition) nulls not distinct where enrolment_id is not null;
