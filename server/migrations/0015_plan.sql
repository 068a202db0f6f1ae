-- Up Migration

-- What is planned, a value a place. `plan_changes` keeps every change with who made it and upon which; `plan` what is in force: the
-- later of one place, whichever came first. Those of a pupil go with the pupil.
create table plan_changes (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  place text not null,
  pupil_id uuid,
  what text not null,
  day date,
  key text not null,
  value jsonb,
  at timestamptz not null,
  user_id uuid not null,
  seen uuid,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index plan_changes_by_place on plan_changes (room_id, place, at);
create index plan_changes_by_time on plan_changes (room_id, at);
create index plan_changes_by_pupil on plan_changes (room_id, pupil_id);

create table plan (
  room_id uuid not null references rooms on delete cascade,
  place text not null,
  change_id uuid not null,
  pupil_id uuid,
  what text not null,
  day date,
  key text not null,
  value jsonb,
  at timestamptz not null,
  user_id uuid not null,
  seen uuid,
  primary key (room_id, place),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index plan_by_day on plan (room_id, day);
create index plan_by_pupil on plan (room_id, pupil_id);

do $$
declare t text;
begin
  foreach t in array array['plan_changes','plan'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format($p$create policy own_room on %I
      using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
      with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid)$p$, t);
  end loop;
end $$;
grant select, insert on plan_changes to veldrift_app;
grant select, insert, update on plan to veldrift_app;

-- A tutor's visits as a calendar other programs read: a secret address that can be withdrawn. Only its hash is kept.
create table calendar_links (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  user_id uuid not null,
  token_hash bytea not null unique,
  names boolean not null,
  made_at timestamptz not null default now(),
  primary key (room_id, id),
  foreign key (room_id, user_id) references users on delete cascade
);
alter table calendar_links enable row level security;
alter table calendar_links force row level security;
create policy own_room on calendar_links
  using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
  with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid);
grant select, insert, delete on calendar_links to veldrift_app;
grant select on calendar_links to veldrift_lookup;

create function find_calendar(wanted bytea)
returns table (room_id uuid, user_id uuid, names boolean, room text, time_zone text)
language sql stable security definer set search_path = pg_catalog, public as $$
  select l.room_id, l.user_id, l.names, r.name, r.time_zone
  from calendar_links l
  join users u on u.room_id = l.room_id and u.id = l.user_id and u.removed_at is null
  join rooms r on r.room_id = l.room_id
  where l.token_hash = wanted
$$;
grant create on schema public to veldrift_lookup;
alter function find_calendar(bytea) owner to veldrift_lookup;
revoke create on schema public from veldrift_lookup;
revoke all on function find_calendar(bytea) from public;
grant execute on function find_calendar(bytea) to veldrift_app;

-- Down Migration

drop function find_calendar(bytea);
drop table calendar_links;
drop table plan;
drop table plan_changes;
