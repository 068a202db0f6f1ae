-- Up Migration

-- Tries that are counted, under hashes of what was tried: no room is known yet. The shape is that of the package that counts.
drop table sign_in_failures;
create table throttle (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);
grant select, insert, update, delete on throttle to veldrift_app;

-- A statement of the server that takes longer holds others up.
alter role veldrift_app set statement_timeout = '20s';
alter role veldrift_app set idle_in_transaction_session_timeout = '20s';

-- Who asked whom in, and who was taken out: their record stays under their name, and their address is free again.
alter table users add column invited_by uuid;
alter table users add column removed_at timestamptz;
-- What this user's devices lock up unsent answers with on signing out.
alter table users add column seal_key bytea not null
  default decode(replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''), 'hex');
drop index users_email;
create unique index users_email on users (lower(email)) where removed_at is null;

-- A sign-in ends 12 hours after its last use, after 12 hours of work, and after 7 days.
alter table sessions add column device text not null default '';
alter table sessions add column last_used_at timestamptz not null default now();
alter table sessions add column worked_s double precision not null default 0;

-- Devices a tutor has signed in on: tries of others elsewhere do not make them wait.
create table devices (
  room_id uuid not null,
  user_id uuid not null,
  token_hash bytea not null,
  seen_at timestamptz not null default now(),
  primary key (room_id, user_id, token_hash),
  foreign key (room_id, user_id) references users on delete cascade
);

-- Links that let someone in once: an invitation to the room, or a new password for one of its tutors.
create table passes (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  kind text not null,
  -- Whose password; null of an invitation.
  user_id uuid,
  token_hash bytea not null unique,
  -- Null: made on the machine itself.
  made_by uuid,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null,
  used_at timestamptz,
  primary key (room_id, id),
  foreign key (room_id, user_id) references users on delete cascade
);

-- What people did with people and doors. It can be read and added to, and not changed.
create table journal (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  at timestamptz not null default now(),
  -- Null: done on the machine itself, or by nobody of this room.
  user_id uuid,
  act text not null,
  whom text not null default '',
  primary key (room_id, id)
);
create index journal_by_time on journal (room_id, at);

do $$
declare t text;
begin
  foreach t in array array['devices','passes','journal'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format($p$create policy own_room on %I
      using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
      with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid)$p$, t);
  end loop;
end $$;
grant select, insert, update, delete on devices, passes to veldrift_app;
grant select, insert on journal to veldrift_app;
grant select on devices, passes to veldrift_lookup;
grant update (email, password_hash, removed_at) on users to veldrift_app;
grant update (last_used_at, worked_s) on sessions to veldrift_app;

create or replace function find_user_for_sign_in(wanted text)
returns table (room_id uuid, id uuid, name text, password_hash text)
language sql stable security definer set search_path = pg_catalog, public as $$
  select u.room_id, u.id, u.name, u.password_hash from users u
  where lower(u.email) = lower(wanted) and u.removed_at is null
$$;

drop function find_session(bytea);
create function find_session(wanted bytea)
returns table (room_id uuid, id uuid, user_id uuid, name text, room text, time_zone text, expires_at timestamptz, last_used_at timestamptz)
language sql stable security definer set search_path = pg_catalog, public as $$
  select s.room_id, s.id, s.user_id, u.name, r.name, r.time_zone, s.expires_at, s.last_used_at
  from sessions s
  join users u on u.room_id = s.room_id and u.id = s.user_id and u.removed_at is null
  join rooms r on r.room_id = s.room_id
  where s.token_hash = wanted and s.expires_at > now() and s.worked_s < 12 * 3600
$$;

-- Whether a device is one its tutor signed in on before; a pass by its token: before any room is known.
create function is_known_device(wanted_email text, wanted bytea) returns boolean
language sql stable security definer set search_path = pg_catalog, public as $$
  select exists (
    select 1 from users u join devices d on d.room_id = u.room_id and d.user_id = u.id
    where lower(u.email) = lower(wanted_email) and u.removed_at is null and d.token_hash = wanted)
$$;

create function find_pass(wanted bytea)
returns table (room_id uuid, id uuid, kind text, user_id uuid, room text, name text, email text, made_by text, expires_at timestamptz, used boolean)
language sql stable security definer set search_path = pg_catalog, public as $$
  select p.room_id, p.id, p.kind, p.user_id, r.name, u.name, u.email, m.name, p.expires_at, p.used_at is not null
  from passes p
  join rooms r on r.room_id = p.room_id
  left join users u on u.room_id = p.room_id and u.id = p.user_id
  left join users m on m.room_id = p.room_id and m.id = p.made_by
  where p.token_hash = wanted
$$;

grant create on schema public to veldrift_lookup;
alter function find_session(bytea) owner to veldrift_lookup;
alter function is_known_device(text, bytea) owner to veldrift_lookup;
alter function find_pass(bytea) owner to veldrift_lookup;
revoke create on schema public from veldrift_lookup;
revoke all on function find_session(bytea), is_known_device(text, bytea), find_pass(bytea) from public;
grant execute on function find_session(bytea), is_known_device(text, bytea), find_pass(bytea) to veldrift_app;

-- Down Migration

drop function find_pass(bytea);
drop function is_known_device(text, bytea);
drop function find_session(bytea);
drop table journal, passes, devices;
alter table sessions drop column worked_s, drop column last_used_at, drop column device;
drop index users_email;
delete from users where removed_at is not null;
create unique index users_email on users (lower(email));
alter table users drop column seal_key, drop column removed_at, drop column invited_by;
alter role veldrift_app reset idle_in_transaction_session_timeout;
alter role veldrift_app reset statement_timeout;
drop table throttle;
create table sign_in_failures (
  key_hash bytea not null,
  at timestamptz not null default now()
);
create index sign_in_failures_by_key on sign_in_failures (key_hash, at);
grant select, insert, delete on sign_in_failures to veldrift_app;
create or replace function find_user_for_sign_in(wanted text)
returns table (room_id uuid, id uuid, name text, password_hash text)
language sql stable security definer set search_path = pg_catalog, public as $$
  select u.room_id, u.id, u.name, u.password_hash from users u where lower(u.email) = lower(wanted)
$$;
create function find_session(wanted bytea)
returns table (room_id uuid, id uuid, user_id uuid, name text, room text, time_zone text, expires_at timestamptz)
language sql stable security definer set search_path = pg_catalog, public as $$
  select s.room_id, s.id, s.user_id, u.name, r.name, r.time_zone, s.expires_at
  from sessions s
  join users u on u.room_id = s.room_id and u.id = s.user_id
  join rooms r on r.room_id = s.room_id
  where s.token_hash = wanted and s.expires_at > now()
$$;
grant create on schema public to veldrift_lookup;
alter function find_session(bytea) owner to veldrift_lookup;
revoke create on schema public from veldrift_lookup;
revoke all on function find_session(bytea) from public;
grant execute on function find_session(bytea) to veldrift_app;
