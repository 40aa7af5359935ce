-- Who saved a revision; the places whose values are still defaults that nobody has confirmed.
alter table unit_revision add column saved_by varchar(80) default '' not null;
alter table unit_revision add column unconfirmed clob default '[]' not null;

-- A finding that is let stand, with its reason. It speaks of these figures only: others make it a new finding.
create table accepted_finding (
  id bigint generated always as identity primary key,
  tag varchar(32) not null,
  fingerprint varchar(400) not null,
  reason varchar(400) not null,
  by_name varchar(80) not null,
  released_by varchar(80) default '' not null,
  at timestamp with time zone not null,
  unique (tag, fingerprint)
);

-- Gauges, transducers, flow meters, clamp meters. Range and resolution in their own unit.
create table instrument (
  id bigint generated always as identity primary key,
  name varchar(60) not null unique,
  kind varchar(20) not null,
  unit varchar(10) not null,
  range_max double precision not null,
  accuracy_class double precision not null,
  resolution double precision not null,
  calibration_due date,
  medium varchar(20) not null,
  retired boolean default false not null
);

-- Which instrument of the register stands at a test point.
create table fitted_instrument (
  tag varchar(32) not null,
  test_point varchar(32) not null,
  instrument_id bigint not null references instrument (id),
  primary key (tag, test_point)
);
