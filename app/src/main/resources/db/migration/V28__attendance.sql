-- Services that take place on a day, as orders have booked them.
create table attendance (
  shop varchar(60) not null references shop(id),
  order_id bigint not null references orders(id),
  product varchar(60) not null,
  starts timestamp not null,
  ends timestamp not null,
  quantity decimal(18, 6) not null check (quantity > 0),
  primary key (order_id, product, starts)
);
create index attendance_of_shop on attendance(shop, starts, order_id);
