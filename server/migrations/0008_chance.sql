-- Up Migration

-- What a school says tells how likely it is that a set is done: each is asked anew when it is next looked at.
update standings set listed = null;

-- As before; but each play is looked up by itself. With "exists" all answers of a room may be read for the plays of one pupil.
create or replace view real_plays with (security_invoker = true) as
select p.* from plays p
where p.purpose = 'afterwards'
   or coalesce(
     (select true from answers a where a.room_id = p.room_id and a.play_id = p.id and a.pupil_id = p.pupil_id limit 1),
     (select true from tallies t where t.room_id = p.room_id and t.play_id = p.id and t.pupil_id = p.pupil_id limit 1),
     (select true from moves m where p.purpose = 'game' and m.room_id = p.room_id
        and m.play_id = (p.deal->'game'->>'tableId')::uuid and m.move->>'kind' not in ('stop', 'leave', 'calm') limit 1),
     false);

-- Down Migration

create or replace view real_plays with (security_invoker = true) as
select p.* from plays p
where p.purpose = 'afterwards'
   or exists (select 1 from answers a where a.room_id = p.room_id and a.play_id = p.id and a.pupil_id = p.pupil_id)
   or exists (select 1 from tallies t where t.room_id = p.room_id and t.play_id = p.id and t.pupil_id = p.pupil_id)
   or (p.purpose = 'game' and exists (
     select 1 from moves m where m.room_id = p.room_id and m.play_id = (p.deal->'game'->>'tableId')::uuid
       and m.move->>'kind' not in ('stop', 'leave', 'calm')));
update standings set listed = null;
