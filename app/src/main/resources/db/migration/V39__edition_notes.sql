-- What an edition was published for, in the words of who did it.
alter table edition add column note varchar(300) not null default '';
