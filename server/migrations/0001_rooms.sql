-- Up Migration

-- Who may do what. veldrift_app is what the server connects as: it owns nothing, can bypass nothing and alter nothing.
-- veldrift_lookup may read past row-level security, cannot sign in, and owns only the functions at the end.
revoke create on schema public from public;
grant usage on schema public to veldrift_app, veldrift_lookup;

create table rooms (
  room_id uuid primary key,
  name text not null,
  time_zone text not null,
  created_at timestamptz not null default now()
);

create table users (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  email text not null,
  name text not null,
  password_hash text not null,
  created_at timestamptz not null default now(),
  primary key (room_id, id)
);
create unique index users_email on users (lower(email));

create table sessions (
  room_id uuid not null,
  id uuid not null,
  user_id uuid not null,
  token_hash bytea not null unique,
  expires_at timestamptz not null,
  created_at timestamptz not null default now(),
  primary key (room_id, id),
  foreign key (room_id, user_id) references users on delete cascade
);

-- Failed sign-ins, by a hash of the address and of the e-mail. They belong to no room: none is known yet.
create table sign_in_failures (
  key_hash bytea not null,
  at timestamptz not null default now()
);
create index sign_in_failures_by_key on sign_in_failures (key_hash, at);

create table pupils (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  name text not null,
  grade_system text not null,
  grade int,
  operation text not null,
  pathway_id text not null,
  set_id text not null,
  school text not null,
  policy jsonb not null default '{}',
  recall_limit text not null,
  capture text not null,
  clock text not null,
  hand text not null,
  home_language text not null default '',
  aids text not null default '',
  notes text not null default '',
  visits jsonb not null default '[]',
  created_at timestamptz not null default now(),
  primary key (room_id, id)
);

create table visits (
  room_id uuid not null,
  id uuid not null,
  pupil_id uuid not null,
  user_id uuid not null,
  started_at timestamptz not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index visits_by_pupil on visits (room_id, pupil_id, started_at);

create table plays (
  room_id uuid not null,
  id uuid not null,
  visit_id uuid not null,
  pupil_id uuid not null,
  user_id uuid not null,
  kind text not null default 'minute',
  purpose text not null,
  set_id text not null,
  seed int not null,
  length_ms double precision not null,
  way text not null,
  limit_ms double precision not null,
  device text not null,
  started_at timestamptz not null,
  clock_corrected boolean not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index plays_by_pupil on plays (room_id, pupil_id, started_at);

-- The end of a play is an event of its own, so that it may arrive before the play does.
create table play_ends (
  room_id uuid not null,
  play_id uuid not null,
  pupil_id uuid not null,
  event_id uuid not null,
  ended_at timestamptz not null,
  used_ms double precision not null,
  end_reason text not null,
  calm boolean not null,
  interrupted boolean not null,
  primary key (room_id, play_id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);

create table answers (
  room_id uuid not null,
  id uuid not null,
  pupil_id uuid not null,
  visit_id uuid not null,
  play_id uuid not null,
  seat int not null,
  fact text not null,
  hidden text not null,
  at timestamptz not null,
  device_at timestamptz not null,
  kept_at timestamptz not null default now(),
  offset_ms double precision not null,
  clock_corrected boolean not null,
  judgement text not null,
  given text,
  latency_ms double precision,
  last_key_ms double precision,
  voided boolean not null,
  way text not null,
  overhead_ms double precision not null,
  spread_ms double precision not null,
  calibrated boolean not null,
  calibration_age_days int,
  limit_ms double precision not null,
  aided boolean not null,
  seen text[] not null,
  used_ms double precision not null,
  -- A correction is a new answer that names the one it takes the place of, and who said so.
  replaces uuid,
  corrected_by uuid,
  version int not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index answers_by_fact on answers (room_id, pupil_id, fact, at);
create index answers_wrong on answers (room_id, pupil_id, at) where judgement in ('wrong', 'gaveUp');
create index answers_by_play on answers (room_id, play_id, at);

-- What was seen or said of an answer afterwards; the latest stands.
create table amendments (
  room_id uuid not null,
  id uuid not null,
  answer_id uuid not null,
  pupil_id uuid not null,
  seen text[] not null,
  given text,
  at timestamptz not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index amendments_by_answer on amendments (room_id, answer_id, at);

-- Answers taken back by an undo.
create table retractions (
  room_id uuid not null,
  id uuid not null,
  answer_id uuid not null,
  pupil_id uuid not null,
  at timestamptz not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index retractions_by_answer on retractions (room_id, answer_id);

create table calibrations (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  kind text not null,
  pupil_id uuid,
  user_id uuid not null,
  samples jsonb not null,
  at timestamptz not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index calibrations_by_pupil on calibrations (room_id, pupil_id, kind, at);
create index calibrations_by_user on calibrations (room_id, user_id, kind, at);

create table decisions (
  room_id uuid not null,
  id uuid not null,
  pupil_id uuid not null,
  user_id uuid not null,
  play_id uuid,
  at timestamptz not null default now(),
  set_id text not null,
  to_set_id text not null,
  school text not null,
  policy jsonb not null,
  verdict text not null,
  reasons jsonb not null,
  missing jsonb not null,
  would_settle text not null,
  strays text[] not null,
  answer_ids uuid[] not null,
  check_ids uuid[] not null,
  outcome text not null,
  other_reason text not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index decisions_by_pupil on decisions (room_id, pupil_id, at);

-- Caches: derived from the answers, rebuilt by one command, never a source.
create table fact_states (
  room_id uuid not null,
  pupil_id uuid not null,
  fact text not null,
  state text not null,
  answers int not null,
  last_at timestamptz not null,
  last_ms double precision,
  primary key (room_id, pupil_id, fact),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);

create table checks (
  room_id uuid not null,
  play_id uuid not null,
  pupil_id uuid not null,
  set_id text not null,
  purpose text not null,
  way text not null,
  at timestamptz not null,
  right_count int not null,
  wrong_count int not null,
  used_ms double precision not null,
  right_per_minute double precision not null,
  wrong_per_minute double precision not null,
  digits_per_minute double precision,
  median_ms double precision,
  clock_corrected boolean not null,
  counts boolean not null,
  primary key (room_id, play_id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index checks_by_pupil on checks (room_id, pupil_id, at);

create table standings (
  room_id uuid not null,
  pupil_id uuid not null,
  verdict text not null,
  proposal jsonb not null,
  primary key (room_id, pupil_id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);

-- Answers as they stand: amended, and without those taken back or replaced. Of two corrections of one answer the latest stands.
create view standing_answers with (security_invoker = true) as
select a.room_id, a.id, a.pupil_id, a.visit_id, a.play_id, a.fact, a.at, a.clock_corrected, a.judgement,
       a.latency_ms, a.voided, a.way, a.overhead_ms, a.spread_ms, a.calibrated, a.limit_ms, a.aided, a.used_ms,
       a.replaces, true as stands,
       case when m.id is null then a.seen else m.seen end as seen,
       case when m.id is null then a.given else m.given end as given
from answers a
left join lateral (
  select id, seen, given from amendments m
  where m.room_id = a.room_id and m.answer_id = a.id and m.pupil_id = a.pupil_id order by m.at desc, m.id desc limit 1
) m on true
where not exists (select 1 from retractions r where r.room_id = a.room_id and r.answer_id = a.id and r.pupil_id = a.pupil_id)
  and not exists (select 1 from answers n where n.room_id = a.room_id and n.replaces = a.id)
  and (a.replaces is null or not exists (
    select 1 from answers n where n.room_id = a.room_id and n.replaces = a.replaces and (n.kept_at, n.id) > (a.kept_at, a.id)));

-- Every answer ever kept, with whether it still stands: for decisions on record, which rest on what was there then.
create view recorded_answers with (security_invoker = true) as
select a.room_id, a.id, a.pupil_id, a.visit_id, a.play_id, a.fact, a.at, a.clock_corrected, a.judgement,
       a.latency_ms, a.voided, a.way, a.overhead_ms, a.spread_ms, a.calibrated, a.limit_ms, a.aided, a.used_ms,
       a.replaces, s.id is not null as stands, coalesce(s.seen, a.seen) as seen, coalesce(s.given, a.given) as given
from answers a left join standing_answers s on s.room_id = a.room_id and s.id = a.id;
create index answers_replacing on answers (room_id, replaces) where replaces is not null;

-- Row-level security on every table that holds a room's data; FORCE, so that the owner is under it too.
do $$
declare t text;
begin
  foreach t in array array['rooms','users','sessions','pupils','visits','plays','play_ends','answers','amendments',
                           'retractions','calibrations','decisions','fact_states','checks','standings'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format($p$create policy own_room on %I
      using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
      with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid)$p$, t);
  end loop;
end $$;

grant select, insert on rooms, users to veldrift_app;
grant select, insert, delete on sessions to veldrift_app;
grant update (expires_at) on sessions to veldrift_app;
grant select, insert, update, delete on pupils, fact_states, checks, standings to veldrift_app;
grant select, insert on visits, plays, play_ends, answers, amendments, retractions, calibrations, decisions to veldrift_app;
grant select, insert, delete on sign_in_failures to veldrift_app;
grant select on standing_answers, recorded_answers to veldrift_app;
grant select on rooms, users, sessions to veldrift_lookup;

-- The only ways past the walls: one row each, before any room is known.
create function find_user_for_sign_in(wanted text)
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

create function has_any_room() returns boolean
language sql stable security definer set search_path = pg_catalog, public as $$
  select exists (select 1 from rooms)
$$;

grant create on schema public to veldrift_lookup;
alter function find_user_for_sign_in(text) owner to veldrift_lookup;
alter function find_session(bytea) owner to veldrift_lookup;
alter function has_any_room() owner to veldrift_lookup;
revoke create on schema public from veldrift_lookup;
revoke all on function find_user_for_sign_in(text), find_session(bytea), has_any_room() from public;
grant execute on function find_user_for_sign_in(text), find_session(bytea), has_any_room() to veldrift_app;

-- Down Migration

drop function has_any_room();
drop function find_session(bytea);
drop function find_user_for_sign_in(text);
drop view recorded_answers, standing_answers;
drop table standings, checks, fact_states, decisions, calibrations, retractions, amendments, answers, play_ends, plays, visits,
  pupils, sign_in_failures, sessions, users, rooms;
