-- Money that came beyond what an order costs, until it is given back.
create table surplus (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders(id),
  idempotency_key varchar(60) not null unique,
  amount bigint not null check (amount > 0),
  at timestamp with time zone not null,
  actor varchar(254) not null,
  returned_at timestamp with time zone,
  returned_by varchar(254)
);
create index surplus_of_order on surplus(order_id);
insert into surplus(order_id, idempotency_key, amount, at, actor)
  select order_id, 'entry ' || cast(random_uuid() as varchar), surplus, at, 'statement' from bank_entry
  where surplus > 0 and order_id is not null;
