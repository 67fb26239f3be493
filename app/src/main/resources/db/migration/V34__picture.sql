-- Pictures of goods, sized for the list of goods; named by what they are, so that every edition finds its own.
create table picture (
  shop varchar(60) not null references shop(id),
  name varchar(64) not null,
  bytes blob not null,
  at timestamp with time zone not null,
  primary key (shop, name)
);
