-- Labels bought from the carrier. One is written down before it is asked for, so that after a crash the same is asked for again.
create table label (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders(id),
  dispatch varchar(60) not null,
  service varchar(100) not null,
  idempotency_key char(36) not null unique,
  asked_at timestamp with time zone not null,
  actor varchar(254) not null,
  tracking varchar(100),
  carrier varchar(100),
  link varchar(500),
  price decimal(12,4),
  currency char(3),
  pdf blob
);
create index label_of_order on label(order_id);
