-- What the columns of goods files from elsewhere held, by their headings.
create table goods_heading (
  shop varchar(60) not null references shop(id),
  heading varchar(100) not null,
  meaning varchar(20) not null,
  primary key (shop, heading)
);
