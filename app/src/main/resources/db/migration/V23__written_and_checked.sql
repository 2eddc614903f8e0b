-- What was written to units and boxes over the wire: lists with what was there before, so that it can be written back.
create table write_list (
    id      integer primary key,
    job_id  integer not null references job (id) on delete cascade,
    content text    not null
);
create index write_list_of_job on write_list (job_id, id);

-- What somebody saw when one thing of a unit was checked.
create table unit_check (
    job_id     integer not null references job (id) on delete cascade,
    fixture    integer not null,
    item       text    not null,
    definition text    not null,
    primary key (job_id, fixture, item)
) without rowid;
