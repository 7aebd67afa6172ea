-- What a person has done on the practice bench: nothing of it belongs to an engine of the shop's.
create table practice (
  id uuid primary key,
  person text not null,
  at timestamptz not null default now(),
  result jsonb not null
);
create index practice_by_time on practice (at desc);
