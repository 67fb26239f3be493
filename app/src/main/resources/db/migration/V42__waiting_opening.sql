-- A shop that opens at a time. What stands against it then is kept here until it is called off.
create table waiting_opening (
  shop varchar(60) primary key references shop(id),
  author varchar(254) not null,
  asked_at timestamp with time zone not null,
  due_at timestamp with time zone not null,
  kept_back clob not null default '',
  check (due_at > asked_at)
);
create index waiting_opening_due on waiting_opening(due_at);
