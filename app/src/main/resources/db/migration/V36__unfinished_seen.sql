-- Baskets left are seen at the desk: without their buyer, unless the buyer agreed to be reminded.
alter table unfinished alter column buyer set null;
alter table unfinished add column visit char(36);
alter table unfinished add column code varchar(40);
create index unfinished_visit on unfinished(shop, visit);
create index unfinished_seen on unfinished(shop, id);
-- A code made for a reminder ends.
alter table discount_code add column ends timestamp with time zone;
