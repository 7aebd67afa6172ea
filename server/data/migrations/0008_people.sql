-- Who works here, with a role and a PIN: a name in the house's document was enough while nobody had to sign in.
create table person (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  role text not null check (role in ('owner', 'builder', 'apprentice', 'reader')),
  -- scrypt hash; null while the person has none.
  pin text,
  created_at timestamptz not null default now(),
  -- Works here no longer; kept for the log.
  ended_at timestamptz
);
create unique index person_by_name on person (lower(name)) where ended_at is null;
insert into person (name, role) select distinct on (lower(name)) name, 'builder' from house, jsonb_array_elements_text(coalesce(document -> 'people', '[]'::jsonb)) as name order by lower(name);
update house set document = document - 'people';
-- Whether an apprentice's values wait is a rule of the house.
update house set document = '{"signOff": true}'::jsonb || document;

-- The shop's passphrase: what a device must know before anybody can sign in on it.
create table passphrase (
  id integer primary key default 1 check (id = 1),
  hash text not null,
  set_at timestamptz not null default now()
);

-- A device that knows the passphrase, and who is signed in on it. A new row at each sign-in; one that has ended is never taken up again.
create table session (
  id uuid primary key,
  -- The same through all sign-ins on one browser.
  device uuid not null,
  person_id uuid references person (id),
  agent text not null default '',
  address text not null default '',
  began_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  ended_at timestamptz
);
create index session_open on session (device) where ended_at is null;

-- What loggers and scripts show in place of a person.
create table token (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  kind text not null check (kind in ('logger', 'script')),
  -- SHA-256 of the secret, which is random and long.
  digest text not null unique,
  made_by text not null,
  made_at timestamptz not null default now(),
  used_at timestamptz,
  ended_at timestamptz
);
create unique index token_by_name on token (lower(name)) where ended_at is null;

-- Every try to come in, and every change to who may; never altered.
create table access_entry (
  number bigint generated always as identity primary key,
  at timestamptz not null default now(),
  what text not null,
  -- Person or token that it was about.
  subject text not null default '',
  -- Who did it, where somebody else did.
  who text not null default '',
  address text not null default '',
  agent text not null default ''
);
create index access_entry_by_subject on access_entry (lower(subject), number);
create trigger access_entry_is_final before update or delete on access_entry for each row execute function entry_is_final();

-- An apprentice's changes, until a builder has signed them off or sent them back.
create table proposal (
  number bigint generated always as identity primary key,
  client_key uuid not null unique,
  build_id uuid not null references build (id),
  -- As it was sent, with the moves on the shelf that belong to it.
  change jsonb not null,
  who text not null,
  at timestamptz not null default now(),
  outcome text check (outcome in ('signed', 'sent-back', 'taken-back')),
  decided_by text,
  decided_at timestamptz,
  words text not null default ''
);
create index proposal_waiting on proposal (build_id, number) where outcome is null;

-- Who signed an apprentice's change off.
alter table entry add column signed_by text;
