-- Where positions lie and fixtures hang: exact lengths in micrometres, angles in tenths of a degree.

alter table position add column kind text not null default 'unsaid';
alter table position add column length_um integer check (length_um > 0);
alter table position add column across_um integer not null default 0;
alter table position add column upstage_um integer not null default 0;
alter table position add column height_um integer not null default 0;
alter table position add column angle integer not null default 0 check (angle between -1800 and 1800);

-- What is special about a fixture is a value that is read and written whole; most have nothing.
alter table fixture add column offset_um integer;
alter table fixture add column traits text not null default '{}';
