-- Commissionings from before, or kept on paper. Never changed: a wrong one is taken away and stays here, another is added.
create table older_record (
  id bigint generated always as identity primary key,
  tag varchar(32) not null,
  on_day date not null,
  document clob not null,
  hash varchar(64) not null,
  typed_at timestamp with time zone not null,
  typed_by varchar(80) not null,
  client_key varchar(64),
  removed_at timestamp with time zone,
  removed_by varchar(80)
);
create index older_record_of_unit on older_record (tag, on_day);
create unique index older_record_client_key on older_record (tag, client_key);
