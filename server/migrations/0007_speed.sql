-- Up Migration

-- What is kept of all answers to a fact, so that the next can be added without reading them again. Null: folded afresh when
-- next needed.
alter table fact_states add column fold jsonb;

-- How often something has happened that the school is to be asked about again, and up to where it was asked.
alter table standings add column revision int not null default 0;
alter table standings add column worked_revision int not null default 0;

-- The states of a play's facts before its first answer and after its last. Null: worked out when looked at.
alter table checks add column states jsonb;


-- Down Migration

alter table checks drop column states;
alter table standings drop column worked_revision, drop column revision;
alter table fact_states drop column fold;
