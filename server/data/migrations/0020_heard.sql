-- Crank speed as it was heard, rev/s: apart from what a tachometer says.
alter table run_sample add column heard double precision;
