-- A voucher has a first and a last day; older ones have neither.
alter table voucher add column valid_from date;
alter table voucher add column valid_until date;
-- Only one that was paid for is a means of payment.
alter table voucher add column sold boolean not null default false;
-- What a refund of its sale takes from a voucher is a move without a payment by it.
alter table voucher_move alter column payment set null;

-- Vouchers sold with an order, each piece once: for whom, and when they are to be written to. "taken" is what was given back of the sale.
create table sold_voucher (
  id bigint generated always as identity primary key,
  shop varchar(60) not null,
  code varchar(60) not null,
  order_id bigint not null references orders(id),
  line int not null check (line >= 0),
  piece int not null check (piece >= 0),
  token char(36) not null unique,
  name varchar(200) not null,
  email varchar(254) not null,
  message varchar(1000) not null default '',
  gift boolean not null,
  send_on date not null,
  sends int not null default 0 check (sends >= 0),
  told_at timestamp with time zone,
  taken bigint not null default 0 check (taken >= 0),
  unique (shop, code),
  unique (order_id, line, piece),
  foreign key (shop, code) references voucher(shop, code)
);
create index sold_voucher_untold on sold_voucher(told_at, send_on);

-- Vouchers are receipted in series of their own.
create table series_now (
  shop varchar(60) not null references shop(id),
  mode varchar(4) not null check (mode in ('test', 'live')),
  kind varchar(20) not null check (kind in ('invoice', 'credit', 'receipt', 'receipt-back')),
  in_year int not null,
  latest int not null check (latest > 0),
  primary key (shop, mode, kind, in_year)
);
insert into series_now select shop, mode, kind, in_year, latest from series;
create table paper_now (
  id bigint generated always as identity primary key,
  shop varchar(60) not null,
  mode varchar(4) not null,
  kind varchar(20) not null,
  in_year int not null,
  seq int not null check (seq > 0),
  number varchar(40) not null,
  order_id bigint not null references orders(id),
  bill int not null check (bill >= 0),
  gross bigint not null,
  content clob not null,
  at timestamp with time zone not null,
  invoiced varchar(60) generated always as
    (case when kind in ('invoice', 'receipt') then order_id || ' ' || bill else null end),
  unique (shop, mode, kind, in_year, seq),
  unique (shop, number),
  unique (invoiced),
  foreign key (shop, mode, kind, in_year) references series_now(shop, mode, kind, in_year)
);
insert into paper_now(shop, mode, kind, in_year, seq, number, order_id, bill, gross, content, at)
  select shop, mode, kind, in_year, seq, number, order_id, bill, gross, content, at from paper order by id;
drop table paper;
drop table series;
alter table series_now rename to series;
alter table paper_now rename to paper;
create index paper_of_order on paper(order_id);

-- A voucher to be issued is owed as papers and letters are.
create table owed_now (
  kind varchar(10) not null check (kind in ('paper', 'letter', 'file', 'voucher')),
  order_id bigint not null references orders(id),
  change bigint not null,
  primary key (kind, order_id)
);
insert into owed_now select kind, order_id, change from owed;
drop table owed;
alter table owed_now rename to owed;

-- An order of which nothing leaves: files, vouchers, donations.
drop index orders_by_sent;
alter table orders add column leaves varchar(10) not null default 'no' check (leaves in ('no', 'in part', 'all', 'nothing'));
update orders set leaves = sent;
alter table orders drop column sent;
alter table orders alter column leaves rename to sent;
create index orders_by_sent on orders(shop, sent, standing, number desc);
