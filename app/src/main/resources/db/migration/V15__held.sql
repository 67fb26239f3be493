-- When a buyer is to be reminded that an order waits for its money, half-way to the day it lapses, and when that was
-- done. Orders that wait already were told no day and are not reminded of one.
alter table orders add column remind_at timestamp with time zone;
alter table orders add column reminded_at timestamp with time zone;
create index orders_to_remind on orders(remind_at);
