-- Up Migration

-- Answers given or changed since the states of their facts were worked out: a row a pupil and batch, taken away where they are.
-- So an answer costs a row here, and many are taken into the states at once: at a play's end, or when somebody looks.
create table unfolded (
  room_id uuid not null,
  pupil_id uuid not null,
  answers uuid[] not null,
  foreign key (room_id, pupil_id) references pupils on delete cascade
);
create index unfolded_of_pupil on unfolded (room_id, pupil_id);

alter table unfolded enable row level security;
alter table unfolded force row level security;
create policy own_room on unfolded
  using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
  with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid);
grant select, insert, delete on unfolded to veldrift_app;

-- As before; but tells how often something has happened to each who is there.
drop function hold_pupils(text, uuid[]);
create function hold_pupils(room text, wanted uuid[]) returns table (pupil uuid, happened int)
language plpgsql set search_path = pg_catalog, public as $$
declare
  one uuid;
begin
  perform set_config('app.room_id', room, true), set_config('plan_cache_mode', 'force_generic_plan', true);
  foreach one in array wanted loop
    update pupils set revision = revision + 1 where room_id = room::uuid and id = one returning id, revision into pupil, happened;
    if found then return next; end if;
  end loop;
end $$;
revoke all on function hold_pupils(text, uuid[]) from public;
grant execute on function hold_pupils(text, uuid[]) to veldrift_app;

-- Down Migration

drop function hold_pupils(text, uuid[]);
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

-- What was not taken in yet is worked out afresh from all answers.
update fact_states f set fold = null
where exists (select 1 from unfolded u where u.room_id = f.room_id and u.pupil_id = f.pupil_id);
drop table unfolded;
