-- What lies on the shelf, and what builds hold of it; the house learnt of rules, people and cautions.
create table shelf_item (
  id uuid primary key default gen_random_uuid(),
  revision integer not null default 0 check (revision >= 0),
  kind text not null check (kind in ('spring', 'washer', 'shell', 'oil', 'pump', 'filter', 'relief')),
  label text not null,
  engine text not null default '',
  count integer not null check (count >= 0),
  place text not null default '',
  note text not null default '',
  price double precision check (price >= 0),
  photo uuid,
  properties jsonb not null,
  -- Off the shelf for good; kept for the log of its moves.
  removed boolean not null default false,
  changed_at timestamptz not null default now(),
  unique (kind, label, engine)
);

create table shelf_hold (
  item_id uuid not null references shelf_item (id),
  build_id uuid not null references build (id),
  reserved integer not null default 0 check (reserved >= 0),
  taken integer not null default 0 check (taken >= 0),
  primary key (item_id, build_id)
);

-- Every move, once, never altered.
create table shelf_move (
  number bigint generated always as identity primary key,
  client_key uuid not null unique,
  item_id uuid not null references shelf_item (id),
  build_id uuid not null references build (id),
  move text not null check (move in ('reserve', 'release', 'take', 'put-back')),
  count integer not null check (count > 0),
  who text not null,
  at timestamptz not null default now()
);

-- Photos of things on the shelf belong to no build.
alter table photo alter column build_id drop not null;

-- Shells lay in the house's document; now they lie on the shelf.
insert into shelf_item (kind, label, engine, count, properties)
select 'shell', shell ->> 'id', shell ->> 'engine', (shell ->> 'count')::integer, jsonb_build_object('set', shell -> 'set', 'half', shell -> 'half', 'wall', shell -> 'wall')
from house, jsonb_array_elements(coalesce(document -> 'shells', '[]'::jsonb)) as shell
on conflict do nothing;
update house set document = '{"school": "auto", "rules": {}, "people": [], "cautions": []}'::jsonb || (document - 'shells');

update build set sheet = jsonb_set(sheet, '{layout}', '{"coolerPlugged": false, "coolerBypass": "around", "drySump": false}'::jsonb || (sheet -> 'layout'));
