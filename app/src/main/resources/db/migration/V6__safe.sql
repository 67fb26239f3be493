-- Wrong tries are counted in memory, by client and by account; nothing waits on a row any more.
alter table person drop column failures;
alter table person drop column locked_until;

-- From where somebody has signed in before: such a one is not kept out by what others try.
create table person_client (
  person bigint not null references person(id),
  client varchar(64) not null,
  at timestamp with time zone not null,
  primary key (person, client)
);

-- An installation has one first owner, whoever else asks at the same moment.
create table installation (
  one int primary key check (one = 1),
  owner bigint not null references person(id)
);
insert into installation(one, owner) select 1, min(id) from person having count(*) > 0;

-- Until when an order waits for its money; null where it waits for none, or for any time. What lapsed was called off by itself.
alter table orders add column lapses_at timestamp with time zone;
alter table orders add column lapsed boolean not null default false;
-- The confirmed tax number of a business, by which its credit goes.
alter table orders add column tax_number varchar(40) not null default '';
-- Placed by somebody who placed many in a short time: its letters wait for the money.
alter table orders add column quiet boolean not null default false;
create index orders_lapsing on orders(lapses_at);
create index orders_of_business on orders(shop, tax_number);

-- Opened at each start: whether the key file beside the database is the one that belongs to it.
create table vault_canary (
  one int primary key check (one = 1),
  sealed varbinary(1000) not null
);
