-- Whether the public may buy. A new shop is closed until its seller opens it; those that had published were open. "notice" is what a
-- closed one says.
alter table shop add column opened_at timestamp with time zone;
alter table shop add column notice varchar(400) not null default '';
update shop s set opened_at = (select min(at) from edition where shop = s.id);

-- What a buyer wrote to the seller, the seller's own fields as filled in, and what goes with a gift; JSON, empty where nothing was.
alter table orders add column wishes clob not null default '{}';

-- Letters that let a buyer in, and who is in. Only hashes are kept, so that nobody who reads the database can go in.
create table buyer_key (
  hash char(64) primary key,
  shop varchar(60) not null references shop(id),
  buyer varchar(254) not null check (buyer = lower(buyer)),
  kind varchar(10) not null check (kind in ('letter', 'session')),
  at timestamp with time zone not null,
  until timestamp with time zone not null,
  used boolean not null default false
);
create index buyer_key_of on buyer_key(shop, buyer, kind, at);

-- Baskets of buyers who asked to be reminded, one each; and addresses that never want to be. A letter is owed until "reminded_at".
create table unfinished (
  id bigint generated always as identity primary key,
  shop varchar(60) not null references shop(id),
  buyer varchar(254) not null check (buyer = lower(buyer)),
  token char(36) not null unique,
  basket clob not null,
  language varchar(35) not null,
  at timestamp with time zone not null,
  reminded_at timestamp with time zone,
  unique (shop, buyer)
);
create index unfinished_due on unfinished(shop, reminded_at, at);
create table not_reminded (
  shop varchar(60) not null references shop(id),
  buyer varchar(254) not null check (buyer = lower(buyer)),
  at timestamp with time zone not null,
  primary key (shop, buyer)
);

-- One more occasion for a letter: a basket that was left. It belongs to no order.
alter table letter add column occasion varchar(20) not null default 'receipt'
  check (occasion in ('receipt', 'copy', 'sent', 'refund', 'cancelled', 'reminder', 'sign-in', 'return', 'unfinished'));
update letter set occasion = event;
alter table letter drop column event;
alter table letter alter column occasion rename to event;
