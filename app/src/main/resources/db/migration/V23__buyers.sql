-- Who has bought, the latest first, without looking at every order.
create table shop_buyer (
  shop varchar(60) not null references shop(id),
  mode varchar(4) not null,
  buyer varchar(254) not null,
  email varchar(254) not null,
  name varchar(200) not null,
  name_begins varchar(200) generated always as (lower(name)),
  orders int not null check (orders > 0),
  first_at timestamp with time zone not null,
  last_at timestamp with time zone not null,
  last_order bigint not null,
  primary key (shop, mode, buyer)
);
create index shop_buyer_latest on shop_buyer(shop, mode, last_order desc);
create index shop_buyer_by_name on shop_buyer(shop, mode, name_begins);
insert into shop_buyer(shop, mode, buyer, email, name, orders, first_at, last_at, last_order)
  select g.shop, g.mode, g.buyer, o.email, o.name, g.orders, g.first_at, o.placed_at, o.id
  from (select shop, mode, buyer, count(*) as orders, min(placed_at) as first_at, max(id) as last_order
        from orders group by shop, mode, buyer) g join orders o on o.id = g.last_order;
