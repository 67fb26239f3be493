-- Short messages to buyers' telephones, each once. Why the latest try failed stands until it leaves.
create table short_message (
  id bigint generated always as identity primary key,
  shop varchar(60) not null references shop(id),
  order_id bigint not null references orders(id),
  event varchar(20) not null,
  name varchar(200) not null unique,
  phone varchar(20) not null check (phone like '+%'),
  text varchar(1000) not null check (length(trim(text)) > 0),
  at timestamp with time zone not null,
  sent_at timestamp with time zone,
  tries int not null default 0,
  trouble varchar(300) not null default ''
);
create index short_message_due on short_message(sent_at, id);
create index short_message_of_order on short_message(order_id, id);

-- A service for them can be connected as a carrier can.
create table link_next (
  shop varchar(60) not null references shop(id),
  kind varchar(20) not null check (kind in ('carrier', 'tax-rates', 'short-messages')),
  url varchar(200) not null,
  secret_cipher varbinary(1000),
  secret_last4 char(4),
  since timestamp with time zone not null,
  primary key (shop, kind)
);
insert into link_next select * from link;
drop table link;
alter table link_next rename to link;
