-- What is charged again. A subscription is a line of an order; it keeps what it was agreed to by, what is charged, where it goes, and the
-- name the processor gave the card. "due_on" is the next date, "charges" how many dates are behind it, the first counted.
create table subscription (
  id bigint generated always as identity primary key,
  shop varchar(60) not null references shop(id),
  first_order bigint not null references orders(id),
  line int not null check (line >= 0),
  token char(36) not null unique,
  edition int not null,
  state varchar(10) not null check (state in ('waiting', 'active', 'paused', 'stopped', 'lapsed', 'ended')),
  began date not null,
  charges int not null default 1 check (charges > 0),
  due_on date,
  charged_on date,
  gateway varchar(60) not null default '',
  card varchar(100) not null default '',
  document clob not null,
  address clob not null,
  -- Another edition that was announced, from which day it holds, and whether the buyer has to agree and has.
  announced int,
  announced_from date,
  agreed varchar(10) not null default 'silence' check (agreed in ('silence', 'asked', 'yes', 'no')),
  unique (first_order, line),
  foreign key (shop, edition) references edition(shop, number),
  foreign key (shop, announced) references edition(shop, number)
);
create index subscription_due on subscription(state, due_on);
create index subscription_of_shop on subscription(shop, state, id desc);

-- One row for each date something was due, whatever became of it: a date is charged once, whatever crashes.
create table renewal (
  subscription bigint not null references subscription(id),
  due_on date not null,
  state varchar(10) not null check (state in ('open', 'paid', 'skipped', 'sold out', 'given up')),
  order_id bigint references orders(id),
  tries int not null default 0 check (tries >= 0),
  first_declined date,
  next_try date,
  reason varchar(1000) not null default '',
  primary key (subscription, due_on)
);
create index renewal_open on renewal(state, next_try);
create index renewal_of on renewal(order_id);

-- What happened to a subscription, in order; what buyer and seller are told of is told once.
create table subscription_event (
  subscription bigint not null references subscription(id),
  seq int not null check (seq > 0),
  kind varchar(20) not null,
  about varchar(1000) not null default '',
  at timestamp with time zone not null,
  told boolean not null default false,
  primary key (subscription, seq)
);
create index subscription_event_untold on subscription_event(told);

-- An order of a subscription, for one of its dates; and the edition its taxes and ways to pay come from, where that is not its own.
alter table orders add column subscription bigint references subscription(id);
alter table orders add column due_on date;
alter table orders add column tax_edition int;
alter table orders add constraint order_of_date unique (subscription, due_on);

-- What a processor calls a card it keeps to be charged again, as it told with the payment.
alter table payment add column kept_card varchar(100) not null default '';

-- Letters of any kind there is: which, the code says.
alter table letter add column occurred varchar(30) not null default 'receipt';
update letter set occurred = event;
alter table letter drop column event;
alter table letter alter column occurred rename to event;
alter table letter add column subscription bigint references subscription(id);
