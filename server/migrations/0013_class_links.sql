-- Up Migration

-- A class joins by one code: so many devices, each with a seat and a token of its own, and no name.
alter table links add column seats smallint check (seats between 2 and 40);

create table link_seats (
  room_id uuid not null,
  link_id uuid not null,
  seat smallint not null,
  token_hash bytea not null unique,
  joined_at timestamptz not null default now(),
  primary key (room_id, link_id, seat),
  foreign key (room_id, link_id) references links (room_id, id) on delete cascade
);

alter table link_seats enable row level security;
alter table link_seats force row level security;
create policy own_room on link_seats
  using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
  with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid);
grant select, insert, delete on link_seats to veldrift_app;
grant select on link_seats to veldrift_lookup;

drop function find_link_by_code(bytea);
drop function find_link_by_token(bytea);

create function find_link_by_code(wanted bytea)
returns table (room_id uuid, id uuid, user_id uuid, used boolean, expires_at timestamptz, seats smallint)
language sql stable security definer set search_path = pg_catalog, public as $$
  select l.room_id, l.id, l.user_id, l.token_hash is not null, l.expires_at, l.seats from links l where l.code_hash = wanted
$$;

create function find_link_by_token(wanted bytea)
returns table (room_id uuid, id uuid, user_id uuid, expires_at timestamptz, seat smallint)
language sql stable security definer set search_path = pg_catalog, public as $$
  select l.room_id, l.id, l.user_id, l.expires_at, null::smallint
  from links l where l.token_hash = wanted and l.expires_at > now()
  union all
  select l.room_id, l.id, l.user_id, l.expires_at, s.seat
  from link_seats s join links l on l.room_id = s.room_id and l.id = s.link_id
  where s.token_hash = wanted and l.expires_at > now()
$$;

grant create on schema public to veldrift_lookup;
alter function find_link_by_code(bytea) owner to veldrift_lookup;
alter function find_link_by_token(bytea) owner to veldrift_lookup;
revoke create on schema public from veldrift_lookup;
revoke all on function find_link_by_code(bytea), find_link_by_token(bytea) from public;
grant execute on function find_link_by_code(bytea), find_link_by_token(bytea) to veldrift_app;

-- Down Migration

drop function find_link_by_token(bytea);
drop function find_link_by_code(bytea);
drop table link_seats;
alter table links drop column seats;

create function find_link_by_code(wanted bytea)
returns table (room_id uuid, id uuid, user_id uuid, used boolean, expires_at timestamptz)
language sql stable security definer set search_path = pg_catalog, public as $$
  select l.room_id, l.id, l.user_id, l.token_hash is not null, l.expires_at from links l where l.code_hash = wanted
$$;
create function find_link_by_token(wanted bytea)
returns table (room_id uuid, id uuid, user_id uuid, expires_at timestamptz)
language sql stable security definer set search_path = pg_catalog, public as $$
  select l.room_id, l.id, l.user_id, l.expires_at from links l where l.token_hash = wanted and l.expires_at > now()
$$;
grant create on schema public to veldrift_lookup;
alter function find_link_by_code(bytea) owner to veldrift_lookup;
alter function find_link_by_token(bytea) owner to veldrift_lookup;
revoke create on schema public from veldrift_lookup;
revoke all on function find_link_by_code(bytea), find_link_by_token(bytea) from public;
grant execute on function find_link_by_code(bytea), find_link_by_token(bytea) to veldrift_app;
