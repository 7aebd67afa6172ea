-- A sheet is written anew with each change: pressing it took longer than all the rest of a change does. Rows that stand are as they are until they are written again.
alter table build alter column sheet set storage external;
