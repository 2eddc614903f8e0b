-- The line of an upright position goes straight up; offsets count up from its middle.
alter table position add column upright integer not null default 0 check (upright in (0, 1));
