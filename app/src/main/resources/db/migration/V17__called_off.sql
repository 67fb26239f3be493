-- Whether it was the buyer who called an order off.
alter table orders add column by_buyer boolean not null default false;
