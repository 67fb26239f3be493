-- Large texts stand in their rows (docs/decisions/durability.md); those written beside them before are taken in.
update dispatch set lines = lines || '';
update draft set document = document || '';
update draft_change set edits = edits || '';
update edition set document = document || '';
update label set pdf = pdf || x'' where pdf is not null;
update letter set mime = mime || '';
update orders set address = address || '', agreed = agreed || '', document = document || '', wishes = wishes || '';
update paper set content = content || '';
update picture set bytes = bytes || x'';
update subscription set address = address || '', document = document || '';
update unfinished set basket = basket || '';
update waiting_edition set document = document || '', kept_back = kept_back || '';
update waiting_opening set kept_back = kept_back || '';
update withdrawal set lines = lines || '';

-- What an order came to is ten times as long as all else of it: who looks through many orders does not read it.
create table order_quote (
  order_id bigint primary key references orders(id),
  quote clob not null
);
insert into order_quote(order_id, quote) select id, quote || '' from orders;
alter table orders drop column quote;
