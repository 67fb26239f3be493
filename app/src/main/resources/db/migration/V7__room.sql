-- What is still to be written of an order, since it changed: a paper, a letter. A row is there from the transaction that changes
-- the order until what follows from it is done, so nothing has to look at every order to find what a crash left.
create table owed (
  kind varchar(10) not null check (kind in ('paper', 'letter')),
  order_id bigint not null references orders(id),
  change bigint not null,
  primary key (kind, order_id)
);
insert into owed(kind, order_id, change) select 'paper', id, 1 from orders;
insert into owed(kind, order_id, change) select 'letter', id, 1 from orders where placed_at > dateadd(day, -30, current_timestamp);

-- How often each discount was used in all, so that the counter counts no rows.
create table discount_count (
  shop varchar(60) not null,
  discount varchar(60) not null,
  used int not null check (used >= 0),
  primary key (shop, discount)
);
insert into discount_count(shop, discount, used) select shop, discount, count(*) from discount_use group by shop, discount;
create index discount_use_of on discount_use(order_id);
create index discount_use_by on discount_use(shop, buyer);
create index webhook_event_old on webhook_event(at);
create index payment_move_open on payment_move(settled);
