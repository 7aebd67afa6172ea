-- A build is one sheet; every change is an entry that is never altered.
create table build (
  id uuid primary key,
  revision integer not null check (revision >= 0),
  sheet jsonb not null,
  created_at timestamptz not null default now(),
  changed_at timestamptz not null default now()
);

create table entry (
  number bigint generated always as identity primary key,
  build_id uuid not null references build (id),
  -- The build's revision after this entry.
  revision integer not null,
  -- Given by the browser that sent it, so that a patch sent twice is entered once.
  client_key uuid not null unique,
  -- The browser tab it was made in: what a tab wrote itself it has seen.
  device uuid not null,
  who text not null,
  at timestamptz not null default now(),
  patch jsonb not null,
  -- Undoes the patch.
  inverse jsonb not null,
  reason text not null default '',
  unique (build_id, revision)
);
create index entry_by_build on entry (build_id, revision);

create function entry_is_final() returns trigger language plpgsql as $$
begin
  raise exception 'entries are append-only';
end $$;
create trigger entry_is_final before update or delete on entry for each row execute function entry_is_final();
