-- Where answers to a run's messages go; empty: to the coach who wrote or sent them.
alter table run add column reply_to text not null default '' constraint run_reply_to_length check (length(reply_to) <= 254);
