-- Who of the shop took an order for its buyer, by telephone or at a stall; empty where the buyer ordered.
alter table orders add column taken_by varchar(254) default '' not null;
