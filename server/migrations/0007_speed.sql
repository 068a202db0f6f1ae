-- Up Migration

-- What is kept of all answers to a fact, so that the next can be added without reading them again. Null: folded afresh when
-- next needed.
alter table fact_states add column fold jsonb;

-- How often something has happened that the school is to be asked about again, and up to where it was asked.
alter table standings add column revision int not null default 0;
alter table standings add column worked_revision int not null default 0;
-- What lists tell of the pupil, as of when the school was asked.
alter table standings add column listed jsonb;

-- The states of a play's facts before its first answer and after its last. Null: worked out when looked at.
alter table checks add column states jsonb;


-- The few plays that lists look for, among the many.
create index plays_looked_for on plays (room_id, pupil_id, purpose, set_id, started_at) where purpose in ('retention', 'probe');
create index checks_of_sets on checks (room_id, pupil_id, set_id, way, at);

-- Down Migration

drop index checks_of_sets;
drop index plays_looked_for;

alter table checks drop column states;
alter table standings drop column listed, drop column worked_revision, drop column revision;
alter table fact_states drop column fold;
