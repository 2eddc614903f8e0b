-- What a person ticked off on the rig is taken back like any other act; what was read from it is not.
alter table journal add column by_hand integer not null default 0 check (by_hand in (0, 1));
