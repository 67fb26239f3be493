-- How long a text on a buyer's statement may be is the provider's to say.
alter table gateway alter column statement varchar(200) not null;
