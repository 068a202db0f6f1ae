-- Up Migration

-- Answers to skills: what games ask beyond the facts of the map. Append-only; an undo retracts one like an answer.
create table skill_answers (
  room_id uuid not null,
  id uuid not null,
  pupil_id uuid not null,
  play_id uuid not null,
  seat int not null,
  skill text not null,
  shown text not null,
  answer text not null,
  given text,
  said_right boolean not null,
  latency_ms double precision,
  voided boolean not null,
  way text not null,
  aided boolean not null,
  used_ms double precision not null,
  at timestamptz not null,
  move_id uuid,
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index skill_answers_by_play on skill_answers (room_id, play_id);
create index skill_answers_by_skill on skill_answers (room_id, pupil_id, skill, at desc, id desc);

alter table skill_answers enable row level security;
alter table skill_answers force row level security;
create policy own_room on skill_answers
  using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
  with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid);
grant select, insert on skill_answers to veldrift_app;

create view standing_skill_answers with (security_invoker = true) as
select s.* from skill_answers s
where not exists (select 1 from retractions r
  where r.room_id = s.room_id and r.answer_id = s.id and r.pupil_id = s.pupil_id);
grant select on standing_skill_answers to veldrift_app;

-- Something happened in a play where a skill was answered, too.
create or replace view real_plays with (security_invoker = true) as
select p.* from plays p
where p.purpose = 'afterwards'
   or coalesce(
     (select true from answers a where a.room_id = p.room_id and a.play_id = p.id and a.pupil_id = p.pupil_id limit 1),
     (select true from tallies t where t.room_id = p.room_id and t.play_id = p.id and t.pupil_id = p.pupil_id limit 1),
     (select true from skill_answers s where s.room_id = p.room_id and s.play_id = p.id and s.pupil_id = p.pupil_id limit 1),
     (select true from moves m where p.purpose = 'game' and m.room_id = p.room_id
        and m.play_id = (p.deal->'game'->>'tableId')::uuid and m.move->>'kind' not in ('stop', 'leave', 'calm') limit 1),
     false);

-- Down Migration

create or replace view real_plays with (security_invoker = true) as
select p.* from plays p
where p.purpose = 'afterwards'
   or coalesce(
     (select true from answers a where a.room_id = p.room_id and a.play_id = p.id and a.pupil_id = p.pupil_id limit 1),
     (select true from tallies t where t.room_id = p.room_id and t.play_id = p.id and t.pupil_id = p.pupil_id limit 1),
     (select true from moves m where p.purpose = 'game' and m.room_id = p.room_id
        and m.play_id = (p.deal->'game'->>'tableId')::uuid and m.move->>'kind' not in ('stop', 'leave', 'calm') limit 1),
     false);
drop view standing_skill_answers;
drop table skill_answers;
