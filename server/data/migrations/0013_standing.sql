-- How a build stood by its model, kept with what it was computed from: computing it takes seconds, and a server that was started anew has it at once.
-- Worked out from the records, and in no backup.
create table standing (
  build uuid primary key references build (id) on delete cascade,
  computed_from text not null,
  standing jsonb not null
);
