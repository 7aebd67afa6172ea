-- A change in one call, planned once for as long as the database is open: its sheet, if it stands as it was read, and its entry. Tells the moment of it; nothing where another came between.
create function enter_change(
  build uuid, was integer, stood timestamptz, becomes jsonb,
  client_key uuid, device uuid, who text, patch jsonb, inverse jsonb, reason text, signed_by text
) returns timestamptz language plpgsql as $$
begin
  update build as b set sheet = becomes, revision = was + 1, changed_at = now()
    where b.id = build and b.revision = was and b.changed_at = stood and b.deleted_at is null;
  if not found then
    return null;
  end if;
  insert into entry (build_id, revision, client_key, device, who, patch, inverse, reason, signed_by, at)
    values (build, was + 1, client_key, device, who, patch, inverse, reason, signed_by, now());
  return now();
end $$;
