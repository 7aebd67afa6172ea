-- Runs: what was read and what happened while an engine was primed or started.
create table run (
  id uuid primary key,
  build_id uuid not null references build (id),
  kind text not null check (kind in ('prime', 'start')),
  setup jsonb not null,
  who text not null,
  started_at timestamptz not null default now(),
  ended_at timestamptz,
  outcome text
);
create index run_by_build on run (build_id, started_at);

-- Numbered by its milliseconds since the run began, so that a sample sent twice is kept once. SI, °C.
-- No foreign key: its check row by row would cost more than the rows; what writes here has looked the run up.
create table run_sample (
  run_id uuid not null,
  sequence integer not null check (sequence >= 0),
  pressure double precision,
  gauge double precision,
  speed double precision,
  temperature double precision,
  drill double precision,
  tank double precision,
  primary key (run_id, sequence)
);

create table run_event (
  number bigint generated always as identity primary key,
  client_key uuid not null unique,
  run_id uuid not null references run (id),
  time double precision not null,
  kind text not null,
  words text not null default '',
  data jsonb not null default '{}',
  who text not null,
  at timestamptz not null default now()
);
create index run_event_by_run on run_event (run_id, number);
