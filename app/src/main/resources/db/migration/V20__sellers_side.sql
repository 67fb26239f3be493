-- Until when what the seller has to say of a dispute has to be at the provider.
alter table payment add column answer_by timestamp with time zone;
-- Whether the seller was told that little is left, since there last was more.
alter table stock add column told boolean default false not null;
