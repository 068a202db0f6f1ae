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

-- Down Migration

drop table plan;
drop table plan_changes;
