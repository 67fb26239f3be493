-- What is to be done next is found without going through what is done.
create index orders_by_sent on orders(shop, sent, standing, number desc);
create index slot_taken_of on slot_taken(order_id);
create index orders_by_mode on orders(shop, mode, number desc);
