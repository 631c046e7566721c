-- What a coach closes stays closed, an address is confirmed by a key of its own, and messages that are being sent have an owner.
-- Older workers must not run beside it: they would make links that were taken away.

-- Since then nothing of theirs opens, and no message brings a new link, until a coach hands one out.
alter table person add column closed_at timestamptz;
update person p set closed_at = r.at
from (select person_id, max(revoked_at) as at from personal_link where kind = 'personal' group by person_id having bool_and(revoked_at is not null)) r
where r.person_id = p.id;
update personal_link l set revoked_at = p.closed_at from person p where p.id = l.person_id and p.closed_at is not null and l.revoked_at is null;

-- Whether a message of ours reaches someone.
create function is_reached(p person) returns boolean
language sql immutable as $$
  select p.channel <> 'none' and p.address <> '' and p.address_state in ('given', 'confirmed') and p.closed_at is null
$$;
grant execute on function is_reached(person) to ysodos_app;

-- Says that an address is theirs: for that address alone, once, for some days.
create table address_key (
  token_hash bytea primary key,
  workspace_id bigint not null,
  person_id bigint not null,
  address text not null,
  expires_at timestamptz not null,
  used_at timestamptz,
  foreign key (workspace_id, person_id) references person (workspace_id, id) on delete cascade
);
create index address_key_by_person on address_key (person_id);
alter table address_key enable row level security;
create policy own_workspace on address_key using (workspace_id = (select nullif(current_setting('ysodos.workspace_id', true), '')::bigint));
grant select, insert, update, delete on address_key to ysodos_app;
create function find_address_key(wanted bytea, at timestamptz) returns table (workspace_id bigint, person_id bigint)
language sql stable security definer set search_path = public as $$
  select k.workspace_id, k.person_id from address_key k
  join person p on p.id = k.person_id and p.address = k.address and p.closed_at is null
  where k.token_hash = wanted and k.used_at is null and k.expires_at > at
$$;
revoke execute on function find_address_key(bytea, timestamptz) from public;
grant execute on function find_address_key(bytea, timestamptz) to ysodos_app;

-- Who has a message to send, until their lease ends.
alter table message add column lease_owner uuid;
