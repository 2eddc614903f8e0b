-- How fixtures are to be addressed, and which blocks share an address on purpose: values that are read and written whole.
-- Wish 0 is the one in force.
create table wish (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number >= 0),
    definition text    not null,
    primary key (job_id, number)
) without rowid;

create table share (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number >= 1),
    definition text    not null,
    primary key (job_id, number)
) without rowid;
