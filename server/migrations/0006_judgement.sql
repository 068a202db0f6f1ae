-- Up Migration

-- The way to a fact that is a child's own, by fact.
alter table pupils add column ways jsonb not null default '{}';

-- Down Migration

alter table pupils drop column ways;
