-- An order whose money is taken can be changed: what was given back by that is no refund of the order as it is now.
alter table orders add column carried bigint default 0 not null;
alter table orders add constraint orders_carried check (carried >= 0);
-- Bills of an order as it was before, credited whole: those of the order as it is now come after them.
create table replaced_bills (
  order_id bigint primary key references orders(id),
  bills int not null check (bills > 0)
);
