-- Who outside the shop may look at the papers of one build, until when. The secret itself is in the address that was handed over and nowhere else.
create table link (
  id uuid primary key default gen_random_uuid(),
  build_id uuid not null references build (id),
  -- Whom it is for.
  name text not null,
  -- SHA-256 of the secret, which is random and long.
  digest text not null unique,
  until timestamptz not null,
  made_by text not null,
  made_at timestamptz not null default now(),
  used_at timestamptz,
  ended_at timestamptz
);
create index link_of_build on link (build_id);
