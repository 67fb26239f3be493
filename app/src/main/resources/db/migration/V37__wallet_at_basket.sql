-- Wallets asked at a basket for name, address and approval: which approval it was, for an hour.
create table wallet_approval (
  id char(36) primary key,
  shop varchar(60) not null references shop(id),
  gateway varchar(60) not null,
  ref varchar(100) not null,
  at timestamp with time zone not null
);
create index wallet_approval_by_time on wallet_approval(at);
