-- Codes made at random for a discount, each for one order.
create table discount_code (
  shop varchar(60) not null references shop(id),
  code varchar(40) not null,
  discount varchar(60) not null,
  at timestamp with time zone not null,
  order_id bigint references orders(id),
  primary key (shop, code)
);
create index discount_code_of on discount_code(shop, discount, code);
create index discount_code_used on discount_code(order_id);
