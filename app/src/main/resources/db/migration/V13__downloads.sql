-- Files of goods that are not sent. Their bytes lie beside the database, by the name in "stored"; a file that was replaced keeps its id, so
-- that those who bought it get the newer one.
create table product_file (
  id bigint generated always as identity primary key,
  shop varchar(60) not null references shop(id),
  product varchar(60) not null,
  name varchar(200) not null check (length(trim(name)) > 0),
  type varchar(100) not null,
  bytes bigint not null check (bytes > 0),
  sha256 char(64) not null,
  stored char(36) not null unique,
  at timestamp with time zone not null,
  gone boolean not null default false
);
create index product_file_of on product_file(shop, product);

-- What was handed over with an order: a file, or a link. It can be fetched from "from_at" until "until", so many times.
create table download (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders(id),
  product varchar(60) not null,
  file_id bigint references product_file(id),
  link varchar(500) not null default '',
  name varchar(200) not null,
  token char(36) not null unique,
  from_at timestamp with time zone not null,
  until timestamp with time zone not null,
  most int not null check (most > 0),
  used int not null default 0 check (used >= 0),
  told boolean not null default false,
  part varchar(140) generated always as (order_id || ' ' || product || ' ' || coalesce(cast(file_id as varchar), 'link')),
  unique (part),
  check (until > from_at),
  check (used <= most)
);
create index download_of_order on download(order_id);
create index download_untold on download(told, from_at);

-- A file to be handed over is owed as papers and letters are.
create table owed_now (
  kind varchar(10) not null check (kind in ('paper', 'letter', 'file')),
  order_id bigint not null references orders(id),
  change bigint not null,
  primary key (kind, order_id)
);
insert into owed_now select kind, order_id, change from owed;
drop table owed;
alter table owed_now rename to owed;
