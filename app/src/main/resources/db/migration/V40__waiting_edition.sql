-- An edition that is published at a time: frozen when it was asked for, one for a shop. What keeps it back at its time
-- is kept here until it is called off.
create table waiting_edition (
  shop varchar(60) primary key references shop(id),
  document clob not null,
  author varchar(254) not null,
  note varchar(300) not null default '',
  asked_at timestamp with time zone not null,
  due_at timestamp with time zone not null,
  kept_back clob not null default '',
  check (due_at > asked_at)
);
create index waiting_edition_due on waiting_edition(due_at);
