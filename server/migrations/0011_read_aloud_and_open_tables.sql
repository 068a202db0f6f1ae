-- Up Migration

-- The child has what is asked read out by the device's own voice.
alter table pupils add column read_aloud boolean not null default false;

-- Tables that a tutor left standing, to be taken up on another device.
create index plays_by_user on plays (room_id, user_id, started_at);

-- Down Migration

drop index plays_by_user;
alter table pupils drop column read_aloud;
