-- Who belongs to a group of buyers, or asks to; one group for each address.
create table group_member (
  shop varchar(60) not null references shop(id),
  buyer varchar(254) not null,
  buyer_group varchar(60) not null,
  belongs boolean not null,
  came_by varchar(10) not null check (came_by in ('list', 'code', 'request')),
  note varchar(500) not null default '',
  language varchar(35) not null default '',
  at timestamp with time zone not null,
  primary key (shop, buyer)
);
create index group_member_asking on group_member(shop, belongs, buyer);
