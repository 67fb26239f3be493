-- What a voucher was taxed as when it was sold, where all it buys bears one rate in one country.
alter table voucher add column taxed_country varchar(2);
alter table voucher add column taxed_rate decimal(9, 4);
alter table voucher add constraint voucher_taxed_when_sold check (
  (taxed_country is null and taxed_rate is null) or (sold and taxed_country is not null and taxed_rate is not null));

-- What of that the seller has given back to the voucher, in minor units.
alter table voucher_given add column back bigint not null default 0;
alter table voucher_given add constraint voucher_given_back check (back between 0 and amount);
