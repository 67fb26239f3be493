-- The language a buyer ordered in, and what was agreed to: kinds of texts with the hash of what was shown, as JSON. The texts
-- themselves stand in the order's edition. Empty for orders of before.
alter table orders add column language varchar(35) not null default '';
alter table orders add column agreed clob not null default '[]';
-- When the seller called an order off. What it took was given back in the same transaction.
alter table orders add column cancelled_at timestamp with time zone;

-- What a refund was for, where the seller has said so: items of the order's bills, with tax, in minor units.
create table refund_part (
  idempotency_key char(36) not null,
  order_id bigint not null references orders(id),
  item varchar(120) not null,
  amount bigint not null check (amount > 0),
  primary key (idempotency_key, item)
);
create index refund_part_of on refund_part(order_id);

-- Letters of more occasions than before, named once each by "name", which is also their Message-ID.
create table letter_now (
  id bigint generated always as identity primary key,
  shop varchar(60) not null references shop(id),
  order_id bigint references orders(id),
  event varchar(20) not null check (event in ('receipt', 'copy', 'sent', 'refund', 'cancelled', 'reminder', 'sign-in', 'return')),
  name varchar(200) not null unique,
  recipient varchar(254) not null,
  subject varchar(400) not null check (length(trim(subject)) > 0),
  mime clob not null,
  at timestamp with time zone not null,
  sent_at timestamp with time zone,
  tries int not null default 0
);
insert into letter_now(shop, order_id, event, name, recipient, subject, mime, at, sent_at, tries)
  select l.shop, l.order_id, l.event, o.token || '.' || l.event || case when l.about = '' then '' else '.' || l.about end, l.recipient, l.subject, l.mime, l.at, l.sent_at, l.tries
  from letter l join orders o on o.id = l.order_id order by l.id;
drop table letter;
alter table letter_now rename to letter;
create index letter_due on letter(sent_at, id);
create index letter_of_order on letter(order_id);

-- Services outside: the carrier, and one that knows tax rates.
create table link_now (
  shop varchar(60) not null references shop(id),
  kind varchar(20) not null check (kind in ('carrier', 'tax-rates')),
  url varchar(200) not null,
  secret_cipher varbinary(1000),
  secret_last4 char(4),
  since timestamp with time zone not null,
  primary key (shop, kind)
);
insert into link_now select * from link;
drop table link;
alter table link_now rename to link;

-- The address of a shop's calendar of what is collected and brought, which nobody can guess.
create table calendar (
  shop varchar(60) primary key references shop(id),
  secret char(36) not null unique
);

-- When a slot that is taken ends; of those taken before, an hour after it begins.
alter table slot_taken add column ends timestamp;
update slot_taken set ends = dateadd(hour, 1, starts);
alter table slot_taken alter column ends set not null;

-- Buyers who withdraw from an order, or ask to send something back, on the order's own page. One of each order waits at a time.
create table withdrawal (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders(id),
  kind varchar(20) not null check (kind in ('withdrawal', 'return')),
  lines clob not null,
  note varchar(1000) not null default '',
  at timestamp with time zone not null,
  settled_at timestamp with time zone,
  waiting bigint generated always as (case when settled_at is null then order_id else null end),
  unique (waiting)
);
create index withdrawal_of on withdrawal(order_id);
