-- Ways to pay that no provider stands behind have no gateway. A voucher pays its part of an order beside the rest: "part" is
-- its code, empty for the rest, and of the tries at one part only one is alive.
alter table payment alter column gateway set null;
alter table payment add column part varchar(70) not null default '';
alter table payment drop column alive;
drop index payment_by_state;
alter table payment add column now varchar(20) not null default 'created' check (now in ('created', 'needs-buyer', 'pending', 'authorised', 'captured',
  'refunded', 'declined', 'failed', 'voided', 'expired', 'disputed', 'dispute-lost'));
update payment set now = state;
alter table payment drop column state;
alter table payment alter column now rename to state;
alter table payment add column alive varchar(100) generated always as
  (case when state in ('declined', 'failed', 'voided', 'expired') then null else order_id || ' ' || part end);
alter table payment add constraint payment_alive unique (alive);
create index payment_by_state on payment(state);
-- Whether the money is taken as soon as it is authorised, and when an authorisation ends by itself.
alter table payment add column at_once boolean not null default false;
alter table payment add column hold_days int not null default 7 check (hold_days > 0);
alter table payment add column lapses_at timestamp with time zone;
-- How many changes the provider had made when it last told of the payment: older news changes nothing.
alter table payment add column version bigint not null default 0;

alter table payment_move add column what varchar(10) not null default 'capture' check (what in ('capture', 'refund', 'void'));
update payment_move set what = kind;
alter table payment_move drop column kind;
alter table payment_move alter column what rename to kind;

-- Which provider an account is with, and what stands on the buyer's statement.
alter table gateway add column provider varchar(20) not null default 'cards' check (provider in ('cards', 'wallet'));
alter table gateway add column statement varchar(22) not null default '';
alter table gateway add column tried_at timestamp with time zone;

-- A voucher's balance in minor units of its currency; what is taken and what comes back are rows of voucher_move.
create table voucher (
  shop varchar(60) not null references shop(id),
  code varchar(60) not null check (code = upper(code)),
  currency char(3) not null,
  issued bigint not null check (issued > 0),
  balance bigint not null check (balance >= 0 and balance <= issued),
  mode varchar(4) not null check (mode in ('test', 'live')),
  at timestamp with time zone not null,
  primary key (shop, code)
);
create table voucher_move (
  id bigint generated always as identity primary key,
  shop varchar(60) not null,
  code varchar(60) not null,
  payment bigint not null references payment(id),
  amount bigint not null check (amount <> 0),
  at timestamp with time zone not null,
  foreign key (shop, code) references voucher(shop, code)
);

-- What is left of goods that are counted, by product or product/variation.
create table stock (
  shop varchar(60) not null references shop(id),
  item varchar(130) not null,
  remaining decimal(12, 3) not null check (remaining >= 0),
  primary key (shop, item)
);

-- Services outside that a shop has connected, besides those that take payments.
create table link (
  shop varchar(60) not null references shop(id),
  kind varchar(20) not null check (kind in ('carrier')),
  url varchar(200) not null,
  secret_cipher varbinary(1000),
  secret_last4 char(4),
  since timestamp with time zone not null,
  primary key (shop, kind)
);

-- Exchange rates as the feed publishes them: units of a currency for one of the base.
create table exchange_rate (
  base char(3) not null,
  published date not null,
  currency char(3) not null,
  rate decimal(18, 9) not null check (rate > 0),
  primary key (base, published, currency)
);

-- What is left to pay by the method chosen, beside vouchers; how far an order is, for lists; both in step with payments.
alter table orders add column due bigint not null default 0 check (due >= 0);
update orders set due = payable;
alter table orders add column method varchar(60) not null default '';
alter table orders add column standing varchar(20) not null default 'unpaid' check (standing in ('unpaid', 'waiting', 'authorised', 'paid in part', 'paid',
  'refunded in part', 'refunded', 'failed', 'disputed', 'dispute lost', 'cancelled'));
update orders o set standing = coalesce((select case p.state when 'refunded' then case when p.refunded < p.captured then 'refunded in part' else 'refunded' end
  when 'captured' then case when p.refunded > 0 then 'refunded in part' when p.captured < p.amount then 'paid in part' else 'paid' end
  when 'authorised' then 'authorised' when 'declined' then 'failed' when 'failed' then 'failed' when 'expired' then 'failed' when 'voided' then 'cancelled' else 'waiting' end
  from payment p where p.id = (select max(id) from payment where order_id = o.id)), 'unpaid');
-- By what a list is searched: how a name begins.
alter table orders add column name_begins varchar(200) generated always as (lower(name));
create index orders_by_name on orders(shop, name_begins);
create index orders_by_standing on orders(shop, standing, number desc);
-- What of an order has left the shop.
alter table orders add column sent varchar(10) not null default 'no' check (sent in ('no', 'in part', 'all'));
create table dispatch (
  order_id bigint not null references orders(id),
  seq int not null check (seq > 0),
  idempotency_key char(36) not null unique,
  lines clob not null,
  at timestamp with time zone not null,
  actor varchar(254) not null,
  primary key (order_id, seq)
);

-- Invoices and credit notes: numbered without gaps, one series a shop, mode, kind and year; written once, never changed. "bill" is
-- the place among the order's bills; an order has one invoice for each.
create table series (
  shop varchar(60) not null references shop(id),
  mode varchar(4) not null check (mode in ('test', 'live')),
  kind varchar(10) not null check (kind in ('invoice', 'credit')),
  in_year int not null,
  latest int not null check (latest > 0),
  primary key (shop, mode, kind, in_year)
);
create table paper (
  id bigint generated always as identity primary key,
  shop varchar(60) not null,
  mode varchar(4) not null,
  kind varchar(10) not null,
  in_year int not null,
  seq int not null check (seq > 0),
  number varchar(40) not null,
  order_id bigint not null references orders(id),
  bill int not null check (bill >= 0),
  gross bigint not null,
  content clob not null,
  at timestamp with time zone not null,
  invoiced varchar(60) generated always as (case when kind = 'invoice' then order_id || ' ' || bill else null end),
  unique (shop, mode, kind, in_year, seq),
  unique (shop, number),
  unique (invoiced),
  foreign key (shop, mode, kind, in_year) references series(shop, mode, kind, in_year)
);
create index paper_of_order on paper(order_id);

-- Letters to buyers and copies to the shop, each owed once; sent until the post room takes them.
create table letter (
  id bigint generated always as identity primary key,
  shop varchar(60) not null references shop(id),
  order_id bigint not null references orders(id),
  event varchar(20) not null check (event in ('receipt', 'copy', 'sent', 'refund')),
  about varchar(40) not null default '',
  recipient varchar(254) not null,
  subject varchar(400) not null check (length(trim(subject)) > 0),
  mime clob not null,
  at timestamp with time zone not null,
  sent_at timestamp with time zone,
  tries int not null default 0,
  unique (order_id, event, about)
);
create index letter_due on letter(sent_at, id);

-- Entries of bank statements, each taken in once. What is above what an order still wanted is surplus, to be given back.
create table bank_entry (
  shop varchar(60) not null references shop(id),
  entry varchar(100) not null,
  amount bigint not null check (amount > 0),
  currency char(3) not null,
  booked date not null,
  payer varchar(200) not null,
  told varchar(500) not null,
  order_id bigint references orders(id),
  state varchar(10) not null check (state in ('exact', 'under', 'over', 'double', 'unmatched')),
  surplus bigint not null default 0 check (surplus >= 0),
  at timestamp with time zone not null,
  primary key (shop, entry)
);

-- Slots taken, by the shop's own clock. How many one holds is checked under the lock of the shop's row when an order is placed.
create table slot_taken (
  shop varchar(60) not null references shop(id),
  place varchar(60) not null,
  starts timestamp not null,
  order_id bigint not null references orders(id),
  primary key (shop, place, starts, order_id)
);
