-- Up Migration

-- What a child made of a fact, a picture and a sentence: the child's hint. It goes with the pupil.
create table fact_pictures (
  room_id uuid not null,
  pupil_id uuid not null,
  fact text not null,
  sentence text not null,
  lines jsonb not null,
  kept_at timestamptz not null default now(),
  primary key (room_id, pupil_id, fact),
  foreign key (room_id, pupil_id) references pupils on delete cascade
);

alter table fact_pictures enable row level security;
alter table fact_pictures force row level security;
create policy own_room on fact_pictures
  using (room_id = nullif(current_setting('app.room_id', true), '')::uuid)
  with check (room_id = nullif(current_setting('app.room_id', true), '')::uuid);
grant select, insert, update, delete on fact_pictures to veldrift_app;

-- Down Migration

drop table fact_pictures;
