-- Up Migration

-- A pack that was put together, under a name: for a pupil, with whom it goes, or for the room.
create table kept_packs (
  room_id uuid not null references rooms on delete cascade,
  id uuid not null,
  pupil_id uuid,
  name text not null,
  operation text not null,
  pack text not null,
  at timestamptz not null default now(),
  primary key (room_id, id),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);

alter table kept_packs enable row level security;
alter table kept_packs force row level security;
create policy own_room on kept_packs
  using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
  with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid);
grant select, insert, update, delete on kept_packs to veldrift_app;

-- Down Migration

drop table kept_packs;
