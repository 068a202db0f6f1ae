-- Up Migration

-- What is kept of all answers to a fact, so that the next can be added without reading them again. Null: folded afresh when
-- next needed.
alter table fact_states add column fold json;
-- A fact's row is written anew at each answer: room beside it spares the index.
alter table fact_states set (fillfactor = 60);
alter table pupils set (fillfactor = 60);

-- How often something has happened to a pupil that the school is to be asked about again, and up to where it was asked.
alter table pupils add column revision int not null default 0;
alter table standings add column worked_revision int not null default 0;
-- What lists tell of the pupil, as of when the school was asked.
alter table standings add column listed jsonb;

-- The states of a play's facts before its first answer and after its last. Null: worked out when looked at.
alter table checks add column states jsonb;


-- The opening of a transaction in which something happens to pupils: the room, and the pupils held, in the order given, so that
-- two who hold some of the same wait for one another in turn. One writer a pupil at a time; what is asked within is asked over
-- and over, by keys, and not planned anew each time. Gives those who are there.
create function hold_pupils(room text, wanted uuid[]) returns uuid[]
language plpgsql set search_path = pg_catalog, public as $$
declare
  one uuid;
  held uuid[] := '{}';
begin
  perform set_config('app.room_id', room, true), set_config('plan_cache_mode', 'force_generic_plan', true);
  foreach one in array wanted loop
    update pupils set revision = revision + 1 where room_id = room::uuid and id = one;
    if found then held := held || one; end if;
  end loop;
  return held;
end $$;
revoke all on function hold_pupils(text, uuid[]) from public;
grant execute on function hold_pupils(text, uuid[]) to veldrift_app;

-- Sessions by their tokens, those asked for at once together; planned once a connection.
drop function find_session(bytea);
create function find_sessions(wanted bytea[])
returns table (token_hash bytea, room_id uuid, id uuid, user_id uuid, name text, room text, time_zone text, expires_at timestamptz, last_used_at timestamptz)
language plpgsql stable security definer set search_path = pg_catalog, public set plan_cache_mode = force_generic_plan as $$
#variable_conflict use_column
begin
  return query select s.token_hash, s.room_id, s.id, s.user_id, u.name, r.name, r.time_zone, s.expires_at, s.last_used_at
  from unnest(wanted) as t(token_hash)
  join sessions s on s.token_hash = t.token_hash
  join users u on u.room_id = s.room_id and u.id = s.user_id and u.removed_at is null
  join rooms r on r.room_id = s.room_id
  where s.expires_at > now() and s.worked_s < 12 * 3600;
end $$;
grant create on schema public to veldrift_lookup;
alter function find_sessions(bytea[]) owner to veldrift_lookup;
revoke create on schema public from veldrift_lookup;
revoke all on function find_sessions(bytea[]) from public;
grant execute on function find_sessions(bytea[]) to veldrift_app;

-- The few plays that lists look for, among the many.
create index plays_looked_for on plays (room_id, pupil_id, purpose, set_id, started_at) where purpose in ('retention', 'probe');
create index checks_of_sets on checks (room_id, pupil_id, set_id, way, at);

-- Down Migration

drop index checks_of_sets;
drop index plays_looked_for;

alter table checks drop column states;
drop function find_sessions(bytea[]);
create function find_session(wanted bytea)
returns table (room_id uuid, id uuid, user_id uuid, name text, room text, time_zone text, expires_at timestamptz, last_used_at timestamptz)
language sql stable security definer set search_path = pg_catalog, public as $$
  select s.room_id, s.id, s.user_id, u.name, r.name, r.time_zone, s.expires_at, s.last_used_at
  from sessions s
  join users u on u.room_id = s.room_id and u.id = s.user_id and u.removed_at is null
  join rooms r on r.room_id = s.room_id
  where s.token_hash = wanted and s.expires_at > now() and s.worked_s < 12 * 3600
$$;
grant create on schema public to veldrift_lookup;
alter function find_session(bytea) owner to veldrift_lookup;
revoke create on schema public from veldrift_lookup;
revoke all on function find_session(bytea) from public;
grant execute on function find_session(bytea) to veldrift_app;
drop function hold_pupils(text, uuid[]);
alter table standings drop column listed, drop column worked_revision;
alter table pupils drop column revision;
alter table fact_states drop column fold;
alter table fact_states reset (fillfactor);
alter table pupils reset (fillfactor);
