-- Who carries a parcel, and where it can be followed.
alter table dispatch add column carrier varchar(100) default '' not null;
alter table dispatch add column link varchar(500) default '' not null;
-- When what is collected was made ready.
alter table orders add column ready_at timestamp with time zone;
