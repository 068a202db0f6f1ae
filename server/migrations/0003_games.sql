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

-- Down Migration

alter table decisions drop column to_step, drop column step, drop column game;
drop index plays_of_games;
drop table house_rules, moves;
