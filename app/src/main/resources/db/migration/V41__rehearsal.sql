-- A dress rehearsal is a shop of its own beside the one it rehearses: its orders, numbers, stock and slots are nobody
-- else's. One for a shop at a time.
alter table shop add column rehearses varchar(60) references shop(id);
alter table shop add constraint one_rehearsal unique (rehearses);
