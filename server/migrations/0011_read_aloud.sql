-- Up Migration

-- The child has what is asked read out by the device's own voice.
alter table pupils add column read_aloud boolean not null default false;

-- Down Migration

alter table pupils drop column read_aloud;
