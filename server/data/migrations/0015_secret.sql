-- What several servers of one shop keep in common and nobody reads: the key that sessions are sealed by. In no backup.
create table secret (
  name text primary key,
  value text not null,
  made_at timestamptz not null default now()
);
