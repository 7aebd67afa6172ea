-- What the shop keeps has a history of its own: each change entered once, never altered.
create table house_entry (
  number bigint generated always as identity primary key,
  -- The house's revision after this entry.
  revision integer not null unique,
  client_key uuid not null unique,
  device uuid not null,
  who text not null,
  at timestamptz not null default now(),
  patch jsonb not null,
  inverse jsonb not null,
  reason text not null default ''
);
create trigger house_entry_is_final before update or delete on house_entry for each row execute function entry_is_final();

-- What was written to the shelf's items, once each under its browser's key.
create table shelf_entry (
  number bigint generated always as identity primary key,
  client_key uuid not null unique,
  item_id uuid not null,
  change jsonb not null,
  who text not null,
  at timestamptz not null default now()
);
create trigger shelf_entry_is_final before update or delete on shelf_entry for each row execute function entry_is_final();

-- Moves on the shelf that belong to a change of a record are entered with it.
alter table shelf_move add column entry_key uuid;

-- Sheets learnt of a bench log.
update build set sheet = '{"benches": {}}'::jsonb || sheet;
