-- Papers of a time.
create index paper_by_time on paper(shop, mode, at);
