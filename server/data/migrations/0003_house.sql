-- What the shop keeps for all builds, and photos; sheets learnt of inspections, choices and fitted shells.
create table house (
  id integer primary key default 1 check (id = 1),
  revision integer not null default 0 check (revision >= 0),
  document jsonb not null,
  changed_at timestamptz not null default now()
);

create table photo (
  id uuid primary key,
  build_id uuid not null references build (id),
  media_type text not null check (media_type in ('image/jpeg', 'image/png', 'image/webp')),
  bytes bytea not null,
  who text not null,
  at timestamptz not null default now()
);
create index photo_by_build on photo (build_id);

update build set sheet = '{"inspections": {}, "choices": {}, "shells": {}}'::jsonb || sheet;
