-- What an engine that has run says of the model, kept with what it was computed from. Worked out from the records, and in no backup.
create table lesson (
  build uuid primary key references build (id) on delete cascade,
  computed_from text not null,
  lesson jsonb
);
