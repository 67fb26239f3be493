-- The number stands in the index, so that a search that finds many reads nothing else.
create index orders_buyer_number on orders(shop, buyer, number);
drop index orders_of_buyer;
alter index orders_buyer_number rename to orders_of_buyer;
create index orders_name_number on orders(shop, name_begins, number);
drop index orders_by_name;
alter index orders_name_number rename to orders_by_name;
