-- The bytes of what lies beside a record. What each is, who brought it and when stands in the run's log, with its hash.
create table run_file (
  run_id bigint not null references run (id),
  hash char(64) not null,
  content blob not null,
  primary key (run_id, hash)
);
