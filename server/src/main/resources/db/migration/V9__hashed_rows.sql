-- Each row carries a hash of itself; a list of one sort, how many rows it has and the sum of their hashes.
alter table unit add column row_hash varchar(64) default '' not null;
alter table unit_revision add column row_hash varchar(64) default '' not null;
alter table run add column row_hash varchar(64) default '' not null;
alter table accepted_finding add column row_hash varchar(64) default '' not null;
alter table instrument add column row_hash varchar(64) default '' not null;
alter table fitted_instrument add column row_hash varchar(64) default '' not null;
alter table older_record add column row_hash varchar(64) default '' not null;
alter table upkeep_entry add column row_hash varchar(64) default '' not null;
create table table_sum (
  name varchar(40) primary key,
  n bigint not null,
  hash varchar(64) not null
);
