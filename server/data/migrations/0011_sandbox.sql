-- A build to learn on: no engine of the shop's, and gone by itself at its time.
alter table build add column sandbox_until timestamptz;
