-- A unit is its file. Each save is a new revision; none is overwritten.
create table unit_revision (
  tag varchar(32) not null,
  revision int not null,
  document clob not null,
  saved_at timestamp with time zone not null,
  primary key (tag, revision)
);

-- A run keeps the unit revision and the plan that it started with.
create table run (
  id bigint generated always as identity primary key,
  tag varchar(32) not null,
  revision int not null,
  plan clob not null,
  gap_school varchar(200) not null,
  technician varchar(80) not null,
  practice boolean not null,
  started_at timestamp with time zone not null,
  foreign key (tag, revision) references unit_revision (tag, revision)
);

-- Only ever appended. client_key makes a repeated delivery of the same event harmless.
create table run_event (
  run_id bigint not null references run (id),
  seq bigint not null,
  at timestamp with time zone not null,
  by_name varchar(80) not null,
  client_key varchar(64) not null,
  body clob not null,
  primary key (run_id, seq),
  unique (run_id, client_key)
);

-- Where the practice machine of a run stands, for a restart.
create table rig_standing (
  run_id bigint primary key references run (id),
  standing clob not null
);
