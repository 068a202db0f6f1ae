-- Up Migration

-- One question, one move: of those that stand, the n-th move of a play is there once.
alter table moves add column taken_back boolean not null default false;
update moves m set taken_back = true where exists (
  select 1 from retractions r where r.room_id = m.room_id and r.answer_id = m.id);
-- Moves made twice by a page that lost the first: the one the table went on with stands.
update moves m set taken_back = true where not taken_back and exists (
  select 1 from moves n where n.room_id = m.room_id and n.play_id = m.play_id and n.nth = m.nth
    and not n.taken_back and (n.at, n.id) > (m.at, m.id));
create unique index moves_standing on moves (room_id, play_id, nth) where not taken_back;
grant update (taken_back) on moves to veldrift_app;

-- The move an answer was given with.
alter table answers add column move_id uuid;
alter table tallies add column move_id uuid;

-- Time under way: the gaps between what happened, each counted at most a minute, ms. Of what is there already at most its
-- own clock's time, until it is worked out afresh.
alter table checks add column practice_ms double precision not null default 0;
-- A minute cut short early has no rate.
alter table checks alter column right_per_minute drop not null;
alter table checks alter column wrong_per_minute drop not null;
update checks c set practice_ms = greatest(0, least(
    case when p.purpose = 'afterwards' then 10800000 else e.used_ms end,
    extract(epoch from e.ended_at - p.started_at) * 1000))
from plays p join play_ends e on e.room_id = p.room_id and e.play_id = p.id
where p.room_id = c.room_id and p.id = c.play_id
  and (p.purpose in ('afterwards', 'game', 'loose')
    or exists (select 1 from answers a where a.room_id = c.room_id and a.play_id = c.play_id));
update checks c set right_per_minute = null, wrong_per_minute = null, digits_per_minute = null, counts = false
from plays p where p.room_id = c.room_id and p.id = c.play_id and c.used_ms < least(20000, p.length_ms);

-- A decision in the form may change the school; an undo names what it undoes.
alter table decisions add column to_school text;
alter table decisions add column undoes uuid;

-- Plays in which something was answered, counted or played: a table opened and left is none.
create view real_plays with (security_invoker = true) as
select p.* from plays p
where p.purpose = 'afterwards'
   or exists (select 1 from answers a where a.room_id = p.room_id and a.play_id = p.id and a.pupil_id = p.pupil_id)
   or exists (select 1 from tallies t where t.room_id = p.room_id and t.play_id = p.id and t.pupil_id = p.pupil_id)
   or (p.purpose = 'game' and exists (
     select 1 from moves m where m.room_id = p.room_id and m.play_id = (p.deal->'game'->>'tableId')::uuid
       and m.move->>'kind' not in ('stop', 'leave', 'calm')));
grant select on real_plays to veldrift_app;

-- What a deleted pupil's name stands in beside their own rows.
grant update (deal) on plays to veldrift_app;

-- Down Migration

revoke update (deal) on plays from veldrift_app;
drop view real_plays;
alter table decisions drop column undoes, drop column to_school;
update checks set right_per_minute = coalesce(right_per_minute, 0), wrong_per_minute = coalesce(wrong_per_minute, 0);
alter table checks alter column wrong_per_minute set not null;
alter table checks alter column right_per_minute set not null;
alter table checks drop column practice_ms;
alter table tallies drop column move_id;
alter table answers drop column move_id;
drop index moves_standing;
alter table moves drop column taken_back;
