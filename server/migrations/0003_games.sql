-- Up Migration

-- Moves of a game, kept with the play of its first pupil. An undo retracts one like an answer.
create table moves (
  room_id uuid not null,
  id uuid not null,
  pupil_id uuid not null,
  play_id uuid not null,
  nth int not null,
  move jsonb not null,
  used_ms double precision not null,
  at timestamptz not null,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index moves_by_play on moves (room_id, play_id, nth);
create index plays_of_games on plays (room_id, pupil_id) where purpose = 'game';

-- Rules of a game as a room plays it, under a name the children gave.
create table house_rules (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  game text not null,
  step int not null,
  name text not null,
  proposed_by text not null,
  rules jsonb not null,
  at timestamptz not null default now(),
  user_id uuid not null,
  primary key (room_id, id)
);

-- A decision about a step: of which game, from which step to which.
alter table decisions add column game text;
alter table decisions add column step int;
alter table decisions add column to_step int;

do $$
declare t text;
begin
  foreach t in array array['moves','house_rules'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format($p$create policy own_room on %I
      using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
      with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid)$p$, t);
  end loop;
end $$;
grant select, insert on moves to veldrift_app;
grant select, insert, update, delete on house_rules to veldrift_app;

-- Which aid lay there when an answer was given, where it is known.
alter table answers add column aid text;
create or replace view standing_answers with (security_invoker = true) as
select a.room_id, a.id, a.pupil_id, a.visit_id, a.play_id, a.fact, a.at, a.clock_corrected, a.judgement,
       a.latency_ms, a.voided, a.way, a.overhead_ms, a.spread_ms, a.calibrated, a.limit_ms, a.aided, a.used_ms,
       a.replaces, true as stands,
       case when m.id is null then a.seen else m.seen end as seen,
       case when m.id is null then a.given else m.given end as given,
       a.hidden, a.aid
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
       a.hidden, a.aid
from answers a left join standing_answers s on s.room_id = a.room_id and s.id = a.id;

-- Down Migration

drop view recorded_answers, standing_answers;
alter table answers drop column aid;
create view standing_answers with (security_invoker = true) as
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

create view recorded_answers with (security_invoker = true) as
select a.room_id, a.id, a.pupil_id, a.visit_id, a.play_id, a.fact, a.at, a.clock_corrected, a.judgement,
       a.latency_ms, a.voided, a.way, a.overhead_ms, a.spread_ms, a.calibrated, a.limit_ms, a.aided, a.used_ms,
       a.replaces, s.id is not null as stands, coalesce(s.seen, a.seen) as seen, coalesce(s.given, a.given) as given,
       a.hidden
from answers a left join standing_answers s on s.room_id = a.room_id and s.id = a.id;
grant select on standing_answers, recorded_answers to veldrift_app;

alter table decisions drop column to_step, drop column step, drop column game;
drop index plays_of_games;
drop table house_rules, moves;
