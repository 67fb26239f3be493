-- The seller's own mail server; without one letters go to the post room. What went wrong last stands until a letter leaves.
create table mail_server (
  shop varchar(60) primary key references shop(id),
  host varchar(253) not null,
  port int not null check (port between 1 and 65535),
  security varchar(10) not null check (security in ('starttls', 'tls', 'none')),
  user_name varchar(254) not null default '',
  secret_cipher varbinary(2000),
  secret_last4 varchar(4),
  since timestamp with time zone not null,
  trouble varchar(300) not null default ''
);
