-- An engine that left the floor is put by, or deleted and kept for a while.
alter table build add column archived_at timestamptz;
alter table build add column deleted_at timestamptz;
alter table build add column deleted_by text not null default '';

-- Entries are never changed, and go only with the whole build that they are of, once its time is over.
create function entry_stays() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' and current_setting('uldo.purges', true) = old.build_id::text then
    return old;
  end if;
  raise exception 'entries are append-only';
end $$;
drop trigger entry_is_final on entry;
create trigger entry_is_final before update or delete on entry for each row execute function entry_stays();
