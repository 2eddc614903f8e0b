-- Where a job stands in the list: in use, put away, or thrown away with a way back.
alter table job add column place text not null default 'in-use';

-- A job that tries something for another, with what it was made from.
create table variant (
    job_id  integer primary key references job (id) on delete cascade,
    of_job  integer not null references job (id) on delete cascade,
    base    text    not null,
    made_at text    not null
);
create index variant_of_job on variant (of_job);

-- What stands in the way of a hand-over and was taken over by somebody, with the reason.
create table taken_over (
    job_id  integer not null references job (id) on delete cascade,
    about   text    not null,
    reason  text    not null,
    who     text    not null,
    version integer not null,
    at      text    not null,
    primary key (job_id, about)
) without rowid;

-- Who signed a job off on which side, and at which version.
create table sign_off (
    id      integer primary key,
    job_id  integer not null references job (id) on delete cascade,
    side    text    not null,
    who     text    not null,
    note    text    not null,
    version integer not null,
    at      text    not null
);
create index sign_off_of_job on sign_off (job_id, id);

-- What was said of a job when it was frozen: its bundle is made of it, whenever it is made.
alter table revision add column said text not null default '';

-- What the programmer should know of a group or a type, beside what the plan says.
create table programmer_note (
    job_id integer not null references job (id) on delete cascade,
    about  text    not null,
    words  text    not null,
    who    text    not null,
    at     text    not null,
    primary key (job_id, about)
) without rowid;

-- Values of a type that are worth remembering from job to job, as the sharpest focus of a gobo.
create table type_value (
    type  text not null,
    name  text not null,
    value text not null,
    who   text not null,
    at    text not null,
    primary key (type, name)
) without rowid;
