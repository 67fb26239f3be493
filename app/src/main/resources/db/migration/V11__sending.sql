-- What the carrier calls a parcel, as buyers are told; empty where nothing was said.
alter table dispatch add column tracking varchar(100) default '' not null;
-- How an order gets to its buyer, by what the setup calls it; empty for orders placed before this was kept.
alter table orders add column way varchar(80) default '' not null;
create index orders_by_way on orders(shop, way, number desc);
create index orders_by_method on orders(shop, method, number desc);
create index orders_by_country on orders(shop, country, number desc);
create index orders_by_time on orders(shop, placed_at, number);
