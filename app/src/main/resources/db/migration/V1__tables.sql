-- Amounts are whole minor units of their currency, so no column can hold a fraction of one.

create table person (
  id bigint generated always as identity primary key,
  email varchar(254) not null unique check (email = lower(email)),
  password_hash varchar(200) not null,
  failures int not null default 0 check (failures >= 0),
  locked_until timestamp with time zone
);

create table shop (
  id varchar(60) primary key check (regexp_like(id, '^[a-z0-9]+(-[a-z0-9]+)*$')),
  created_at timestamp with time zone not null
);

create table helper (
  shop varchar(60) not null references shop(id),
  person bigint not null references person(id),
  primary key (shop, person)
);

-- An edition is frozen: nothing in the code updates one.
create table edition (
  shop varchar(60) not null references shop(id),
  number int not null check (number > 0),
  hash char(64) not null,
  document clob not null,
  author varchar(254) not null,
  at timestamp with time zone not null,
  primary key (shop, number)
);

create table draft (
  shop varchar(60) primary key references shop(id),
  version bigint not null check (version > 0),
  document clob not null
);

-- What was done to the draft since the last edition, in order; undone rows can be done again until a new change is made.
create table draft_change (
  shop varchar(60) not null references shop(id),
  seq bigint not null,
  edits clob not null,
  author varchar(254) not null,
  at timestamp with time zone not null,
  undone boolean not null default false,
  primary key (shop, seq)
);

create table gateway (
  shop varchar(60) not null references shop(id),
  id varchar(60) not null,
  url varchar(200) not null,
  mode varchar(4) check (mode in ('test', 'live')),
  public_key varchar(200) not null default '',
  secret_cipher varbinary(1000),
  secret_last4 char(4),
  webhook_cipher varbinary(1000),
  state varchar(30) not null,
  primary key (shop, id)
);

create table orders (
  id bigint generated always as identity primary key,
  shop varchar(60) not null,
  number int not null check (number > 0),
  token char(36) not null unique,
  client_key varchar(60) not null,
  edition int not null,
  mode varchar(4) not null check (mode in ('test', 'live')),
  document clob not null,
  quote clob not null,
  currency char(3) not null,
  payable bigint not null check (payable >= 0),
  email varchar(254) not null,
  name varchar(200) not null,
  country char(2) not null,
  address clob not null,
  placed_at timestamp with time zone not null,
  unique (shop, number),
  unique (shop, client_key),
  foreign key (shop, edition) references edition(shop, number)
);
create index orders_latest on orders(shop, number desc);

-- One try to pay an order. Of the tries of one order only one can be alive, whatever happens: "alive" repeats the order
-- unless the try has ended without money, and repeats are refused.
create table payment (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders(id),
  shop varchar(60) not null,
  gateway varchar(60) not null,
  method varchar(60) not null,
  idempotency_key char(36) not null unique,
  provider_ref varchar(100) unique,
  state varchar(20) not null check (state in ('created', 'needs-buyer', 'pending', 'authorised', 'captured', 'refunded', 'declined', 'failed', 'voided', 'expired')),
  reason varchar(200) not null default '',
  action varchar(600) not null default '',
  amount bigint not null check (amount > 0),
  captured bigint not null default 0 check (captured >= 0),
  refunded bigint not null default 0 check (refunded >= 0),
  alive bigint generated always as (case when state in ('declined', 'failed', 'voided', 'expired') then null else order_id end),
  check (captured <= amount),
  check (refunded <= captured),
  unique (alive),
  foreign key (shop, gateway) references gateway(shop, id)
);
create index payment_of_order on payment(order_id);
create index payment_by_state on payment(state);

create table payment_transition (
  payment bigint not null references payment(id),
  seq int not null,
  state varchar(20) not null,
  amount bigint not null,
  at timestamp with time zone not null,
  actor varchar(254) not null,
  note varchar(200) not null default '',
  primary key (payment, seq)
);

-- A capture or refund that has been asked for. It is written before the provider is asked and settled after, so that a
-- crash in between leaves something to ask after.
create table payment_move (
  idempotency_key char(36) primary key,
  payment bigint not null references payment(id),
  kind varchar(10) not null check (kind in ('capture', 'refund')),
  amount bigint not null check (amount > 0),
  settled varchar(10) check (settled in ('done', 'refused')),
  note varchar(200) not null default '',
  actor varchar(254) not null,
  at timestamp with time zone not null
);
create index payment_move_of on payment_move(payment);

-- Webhooks that have been acted on; the second copy changes nothing.
create table webhook_event (
  shop varchar(60) not null,
  event varchar(100) not null,
  at timestamp with time zone not null,
  primary key (shop, event)
);
