-- Who a buyer is where discounts are counted: the e-mail address in small letters.
alter table orders add column buyer varchar(254) not null default '';
update orders set buyer = lower(trim(email));
create index orders_of_buyer on orders(shop, buyer);

-- A discount taken by an order, once.
create table discount_use (
  shop varchar(60) not null,
  discount varchar(60) not null,
  order_id bigint not null references orders(id),
  buyer varchar(254) not null,
  primary key (shop, discount, order_id)
);
