-- What a list shows of a revision, so that no list needs a document; and the document's own SHA-256.
alter table unit_revision add column name varchar(200) default '' not null;
alter table unit_revision add column drawing varchar(200) default '' not null;
alter table unit_revision add column missing int default 0 not null;
alter table unit_revision add column hash varchar(64) default '' not null;

-- One row a unit: its newest revision; when and by whom it was removed, null while it is there.
create table unit (
  tag varchar(32) primary key,
  newest int not null,
  removed_at timestamp with time zone,
  removed_by varchar(80)
);

-- The chain through a log: each event's hash, and where the log ends.
alter table run_event add column hash varchar(64) default '' not null;
create table run_tail (
  run_id bigint primary key references run (id),
  start_hash varchar(64) not null,
  last_seq bigint not null,
  last_hash varchar(64) not null
);
create index run_of_unit on run (tag, practice, finished_at);

-- How many writes this file has seen; held against what was confirmed, a file that lost some is known.
create table write_count (
  n bigint not null
);
-- [jooq ignore start]
insert into write_count values (0);
-- [jooq ignore stop]
