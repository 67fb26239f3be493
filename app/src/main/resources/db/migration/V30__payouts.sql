-- Where the card was issued that paid, as the provider tells it.
alter table payment add column card_country varchar(2) not null default '';

-- What of a payment providers have paid out, in minor units; those not paid out whole are found without the others.
alter table payment add column paid_out bigint not null default 0;
alter table payment add column awaits_payout varchar(60) generated always as
  (case when gateway is not null and captured - refunded <> paid_out then shop else null end);
create index payment_awaiting_payout on payment(awaits_payout);

-- Money providers have sent to the shop's bank, and what it is made of.
create table payout (
  id bigint generated always as identity primary key,
  shop varchar(60) not null references shop(id),
  gateway varchar(60) not null,
  mode varchar(4) not null check (mode in ('test', 'live')),
  ref varchar(100) not null,
  currency char(3) not null,
  amount bigint not null,
  at timestamp with time zone not null,
  unique (shop, gateway, ref)
);
create index payout_latest on payout(shop, id desc);
create table payout_entry (
  payout bigint not null references payout(id),
  seq int not null,
  provider_ref varchar(100) not null,
  payment bigint references payment(id),
  kind varchar(10) not null check (kind in ('capture', 'refund')),
  amount bigint not null check (amount > 0),
  fee bigint not null,
  primary key (payout, seq)
);
create index payout_entry_of_payment on payout_entry(payment);
