-- Large texts stand in their rows (docs/decisions/durability.md); those written beside them before are taken in.
update dispatch set lines = lines || '';
update draft set document = document || '';
update draft_change set edits = edits || '';
update edition set document = document || '';
update label set pdf = pdf || x'' where pdf is not null;
update letter set mime = mime || '';
update orders set address = address || '', agreed = agreed || '', document = document || '', quote = quote || '',
  wishes = wishes || '';
update paper set content = content || '';
update picture set bytes = bytes || x'';
update subscription set address = address || '', document = document || '';
update unfinished set basket = basket || '';
update waiting_edition set document = document || '', kept_back = kept_back || '';
update waiting_opening set kept_back = kept_back || '';
update withdrawal set lines = lines || '';
