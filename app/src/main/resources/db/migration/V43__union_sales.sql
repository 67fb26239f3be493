-- What the papers say of sales to consumers in other member states, day by day, in cents of the euro: summed up in the
-- transaction that issues a paper, so that no order has to read the papers of two years and no paper is in no sum.
create table union_sale (
  shop varchar(60) not null references shop(id),
  mode varchar(4) not null,
  sold_on date not null,
  currency char(3) not null,
  net bigint not null,
  primary key (shop, mode, sold_on, currency)
);

-- Papers issued before these sums were kept, summed up page by page: "paper" is the last one done, "last" the end.
create table union_sale_backlog (
  shop varchar(60) not null references shop(id),
  mode varchar(4) not null,
  paper bigint not null,
  last bigint not null,
  primary key (shop, mode)
);
insert into union_sale_backlog(shop, mode, paper, last) select shop, mode, 0, max(id) from paper group by shop, mode;
