-- What an order took of vouchers that nobody paid for: a discount, and no payment.
create table voucher_given (
  order_id bigint not null references orders(id),
  shop varchar(60) not null,
  code varchar(60) not null,
  amount bigint not null check (amount > 0),
  primary key (order_id, code),
  foreign key (shop, code) references voucher(shop, code)
);
