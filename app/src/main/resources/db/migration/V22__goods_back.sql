-- Goods that came back, and whether they went into stock again.
create table goods_back (
  order_id bigint not null references orders(id),
  line int not null check (line >= 0),
  client_key varchar(60) not null,
  quantity decimal(12,3) not null check (quantity > 0),
  restocked boolean not null,
  at timestamp with time zone not null,
  actor varchar(254) not null,
  primary key (order_id, client_key, line)
);
