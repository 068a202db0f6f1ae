-- Up Migration

-- What was played, in words, and how it was dealt; plans of minutes follow from set and seed alone.
alter table plays add column title text not null default '';
alter table plays add column deal jsonb;

-- Instant right answers from a loose pack: counted, not by fact. An undo retracts one like an answer.
create table tallies (
  room_id uuid not null,
  id uuid not null,
  pupil_id uuid not null,
  play_id uuid not null,
  at timestamptz not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index tallies_by_play on tallies (room_id, play_id);

-- Numbers of the schools that the whole room goes by instead of the preset; a pupil's own go before them.
create table policies (
  room_id uuid not null references rooms on delete cascade,
  policy jsonb not null,
  changed_at timestamptz not null default now(),
  user_id uuid not null,
  primary key (room_id)
);

-- Pathways of the room's own, as data.
create table pathways (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  name text not null,
  copied_from text not null,
  sets jsonb not null,
  changed_at timestamptz not null default now(),
  user_id uuid not null,
  primary key (room_id, id)
);

-- A child's screen joined to a tutor's table by a short code, which is used once and runs out.
create table links (
  room_id uuid not null,
  id uuid not null,
  user_id uuid not null,
  code_hash bytea not null unique,
  token_hash bytea unique,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null,
  -- What the child's screen shows now, for one that comes back.
  shown jsonb,
  primary key (room_id, id),
  foreign key (room_id, user_id) references users on delete cascade
);

-- By when the aim line of a pupil reaches the aim; null: no line is drawn.
alter table pupils add column aim_by date;

-- Answers with evidence on a fact, and the calendar day (as a number) on which it is due for review; null: not recalled.
alter table fact_states add column evidence int not null default 0;
alter table fact_states add column due_day int;

-- Caches of before: evidence is at most the answers; the standings are judged afresh when next asked for.
update fact_states set evidence = answers;
truncate standings;

-- What a decision is about, beside the set: a placement, a look back.
alter table decisions add column about text not null default 'set';

do $$
declare t text;
begin
  foreach t in array array['tallies','policies','pathways','links'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format($p$create policy own_room on %I
      using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
      with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid)$p$, t);
  end loop;
end $$;
grant select, insert on tallies to veldrift_app;
grant select, insert, update, delete on policies, pathways, links to veldrift_app;
grant select on links to veldrift_lookup;

-- Which place of a fact was hidden: states and rates rest on those with the result hidden.
create or replace view standing_answers with (security_invoker = true) as
select a.room_id, a.id, a.pupil_id, a.visit_id, a.play_id, a.fact, a.at, a.clock_corrected, a.judgement,
       a.latency_ms, a.voided, a.way, a.overhead_ms, a.spread_ms, a.calibrated, a.limit_ms, a.aided, a.used_ms,
       a.replaces, true as stands,
       case when m.id is null then a.seen else m.seen end as seen,
       case when m.id is null then a.given else m.given end as given,
       a.hidden
from answers a
left join lateral (
  select id, seen, given from amendments m
  where m.room_id = a.room_id and m.answer_id = a.id and m.pupil_id = a.pupil_id order by m.at desc, m.id desc limit 1
) m on true
where not exists (select 1 from retractions r where r.room_id = a.room_id and r.answer_id = a.id and r.pupil_id = a.pupil_id)
  and not exists (select 1 from answers n where n.room_id = a.room_id and n.replaces = a.id)
  and (a.replaces is null or not exists (
    select 1 from answers n where n.room_id = a.room_id and n.replaces = a.replaces and (n.kept_at, n.id) > (a.kept_at, a.id)));

create or replace view recorded_answers with (security_invoker = true) as
select a.room_id, a.id, a.pupil_id, a.visit_id, a.play_id, a.fact, a.at, a.clock_corrected, a.judgement,
       a.latency_ms, a.voided, a.way, a.overhead_ms, a.spread_ms, a.calibrated, a.limit_ms, a.aided, a.used_ms,
       a.replaces, s.id is not null as stands, coalesce(s.seen, a.seen) as seen, coalesce(s.given, a.given) as given,
       a.hidden
from answers a left join standing_answers s on s.room_id = a.room_id and s.id = a.id;

-- A child's screen is known by its code once, then by its token: one row each, before any room is known.
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

-- Down Migration

drop function find_link_by_token(bytea);
drop function find_link_by_code(bytea);
drop view recorded_answers, standing_answers;
drop table links, pathways, policies, tallies;
alter table fact_states drop column due_day, drop column evidence;
alter table decisions drop column about;
alter table pupils drop column aim_by;
alter table plays drop column deal, drop column title;
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
create view recorded_answers with (security_invoker = true) as
select a.room_id, a.id, a.pupil_id, a.visit_id, a.play_id, a.fact, a.at, a.clock_corrected, a.judgement,
       a.latency_ms, a.voided, a.way, a.overhead_ms, a.spread_ms, a.calibrated, a.limit_ms, a.aided, a.used_ms,
       a.replaces, s.id is not null as stands, coalesce(s.seen, a.seen) as seen, coalesce(s.given, a.given) as given
from answers a left join standing_answers s on s.room_id = a.room_id and s.id = a.id;
grant select on standing_answers, recorded_answers to veldrift_app;
