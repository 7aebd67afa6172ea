-- Whatever writes to the shelf's items, each state of one is kept: who, when, and the item as it was then; never altered.
create table shelf_history (
  number bigint generated always as identity primary key,
  item_id uuid not null,
  revision integer not null,
  change text not null check (change in ('insert', 'update', 'delete')),
  item jsonb not null,
  who text not null,
  at timestamptz not null default now()
);
create index shelf_history_by_item on shelf_history (item_id, number);
create trigger shelf_history_is_final before update or delete on shelf_history for each row execute function entry_is_final();

create function keep_shelf_history() returns trigger language plpgsql as $$
declare
  kept shelf_item := case when tg_op = 'DELETE' then old else new end;
begin
  insert into shelf_history (item_id, revision, change, item, who)
  values (kept.id, kept.revision, lower(tg_op), to_jsonb(kept), coalesce(nullif(current_setting('uldo.who', true), ''), 'A program'));
  return null;
end $$;
create trigger shelf_item_history after insert or update or delete on shelf_item for each row execute function keep_shelf_history();

-- What lies there today is where the history begins.
insert into shelf_history (item_id, revision, change, item, who, at) select id, revision, 'insert', to_jsonb(shelf_item), 'Before the history', changed_at from shelf_item;
