-- The unique constraint on (build_id, revision) has an index of its own.
drop index if exists entry_by_build;
