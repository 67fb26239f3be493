-- When a buyer was reminded, once, half-way to the day an order lapses.
alter table orders add column reminded_at timestamp with time zone;
