-- What a host sets for the clock of a run: how much its voice says at first, and what to warm up with where a session has nothing for it.
alter table run
  add column voice text not null default 'all' constraint run_voice check (voice in ('all', 'changes', 'numbers', 'off')),
  add column warm_up text not null default '' constraint run_warm_up check (length(warm_up) <= 1000),
  add column warm_up_film text not null default '' constraint run_warm_up_film check (length(warm_up_film) <= 300);
