-- What the papers say of sales to consumers in other member states, day by day, in cents of the euro: summed up when
-- papers are issued, so that no order has to read the papers of two years. "paper" is the last one summed up.
create table union_sale (
  shop varchar(60) not null references shop(id),
  mode varchar(4) not null,
  sold_on date not null,
  currency char(3) not null,
  net bigint not null,
  primary key (shop, mode, sold_on, currency)
);
create table union_sale_until (
  shop varchar(60) not null references shop(id),
  mode varchar(4) not null,
  paper bigint not null,
  primary key (shop, mode)
);
