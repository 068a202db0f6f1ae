-- Up Migration

-- What a school says tells how likely it is that a set is done: each is asked anew when it is next looked at.
update standings set listed = null;

-- Down Migration

update standings set listed = null;
