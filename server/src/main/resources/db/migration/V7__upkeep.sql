-- What is written down of a machine's upkeep. Never changed: a wrong entry is taken away and stays here.
create table upkeep_entry (
  id bigint generated always as identity primary key,
  tag varchar(32) not null,
  on_day date not null,
  body clob not null,
  by_name varchar(80) not null,
  at timestamp with time zone not null,
  client_key varchar(64),
  removed_at timestamp with time zone,
  removed_by varchar(80)
);
create index upkeep_entry_of_unit on upkeep_entry (tag, on_day);
create unique index upkeep_entry_client_key on upkeep_entry (tag, client_key);
