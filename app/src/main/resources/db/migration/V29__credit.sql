-- Buyers a seller lets pay on account, and how much each may owe, in minor units of the shop's currency of then.
create table credit (
  shop varchar(60) not null references shop(id),
  buyer varchar(254) not null check (length(trim(buyer)) > 0),
  most bigint check (most > 0),
  currency char(3) not null,
  given_by varchar(254) not null,
  at timestamp with time zone not null,
  primary key (shop, buyer)
);
