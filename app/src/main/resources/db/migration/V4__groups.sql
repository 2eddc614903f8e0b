-- The order of positions; 0 stands for one that was never moved, whose number is its rank.
alter table position add column rank integer not null default 0;
-- By which scene files know a position and a fixture.
alter table position add column uuid text;
alter table fixture add column uuid text;

-- Unit of lengths, and which side of the rig is drawn where: a value that is read and written whole.
alter table job add column view text not null default '{}';

-- Folders and groups. Members by hand and rules are values that are read and written whole.
create table rig_group (
    job_id integer not null references job (id) on delete cascade,
    number integer not null check (number > 0),
    kind text not null,
    name text not null,
    group_id integer,
    parent integer,
    members text not null,
    rules text not null,
    primary key (job_id, number)
) without rowid;

-- Scene files on their way in.
create table scene_import (
    id        integer primary key,
    job_id    integer not null references job (id) on delete cascade,
    file_name text    not null,
    content   blob    not null,
    request   text    not null,
    state     text    not null check (state in ('OPEN', 'APPLIED', 'DROPPED')),
    made_at   text    not null
);
