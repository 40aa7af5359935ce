-- A run has a name of its own that no other data folder has; what was chosen on Plan; when and how it ended.
alter table run add column uuid varchar(36);
alter table run add column client_key varchar(64);
alter table run add column section_order varchar(20) default 'highest-first' not null;
alter table run add column finished_at timestamp with time zone;
alter table run add column outcome varchar(30);
create unique index run_client_key on run (client_key);

-- What is sent again after a lost answer meets itself.
alter table unit_revision add column client_key varchar(64);
create unique index unit_revision_client_key on unit_revision (tag, client_key);
alter table instrument add column client_key varchar(64);
create unique index instrument_client_key on instrument (client_key);

-- [jooq ignore start]
update run set uuid = cast(random_uuid() as varchar(36)) where uuid is null;
-- A run of an earlier version is over when each of its steps is done; each step of a plan names inControl once.
update run set finished_at = (select max(e.at) from run_event e where e.run_id = run.id)
where (select count(*) from run_event e where e.run_id = run.id and e.body like '%"kind":"step-done"%')
  >= (length(plan) - length(replace(plan, '"inControl"', ''))) / length('"inControl"');
-- [jooq ignore stop]
