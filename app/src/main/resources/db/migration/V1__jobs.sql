-- One job is loaded whole. References inside a job are checked when the transaction ends, so that an edit may write its
-- rows in any order.

create table job (
    id         integer primary key,
    name       text    not null check (length(name) between 1 and 120),
    venue      text    not null,
    from_day   text,
    to_day     text,
    note       text    not null,
    version    integer not null check (version >= 0),
    created_at text    not null,
    check (from_day is null or to_day is null or from_day <= to_day)
);

-- A type is a value that is read and written whole, so its modes and channels stay in one document.
create table rig_type (
    job_id     integer not null references job (id) on delete cascade,
    type_id    text    not null,
    definition text    not null,
    primary key (job_id, type_id)
);

create table position (
    job_id integer not null references job (id) on delete cascade,
    number integer not null check (number >= 1),
    name   text    not null,
    primary key (job_id, number)
);

create table node (
    job_id integer not null references job (id) on delete cascade,
    number integer not null check (number >= 1),
    name   text    not null,
    ip     text    not null,
    ports  integer not null check (ports between 1 and 64),
    primary key (job_id, number)
);

create table universe (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number between 1 and 63999),
    label      text    not null,
    protocol   text check (protocol in ('art-net', 'sacn')),
    carried_as integer,
    node       integer,
    port       integer,
    primary key (job_id, number),
    foreign key (job_id, node) references node (job_id, number) deferrable initially deferred,
    check ((protocol is null) = (carried_as is null) and (protocol is null) = (node is null)
        and (protocol is null) = (port is null)),
    check (protocol <> 'art-net' or carried_as between 0 and 32767),
    check (protocol <> 'sacn' or carried_as between 1 and 63999)
);

create table reserved_run (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number >= 1),
    universe   integer not null check (universe between 1 and 63999),
    first_slot integer not null check (first_slot between 1 and 512),
    last_slot  integer not null check (last_slot between first_slot and 512),
    label      text    not null,
    primary key (job_id, number)
);

create table fixture (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number >= 1),
    fixture_id integer check (fixture_id between 1 and 99999),
    type_id    text    not null,
    mode       text    not null,
    position   integer not null,
    unit       integer not null check (unit between 1 and 9999),
    name       text    not null,
    note       text    not null,
    primary key (job_id, number),
    foreign key (job_id, type_id) references rig_type (job_id, type_id) deferrable initially deferred,
    foreign key (job_id, position) references position (job_id, number) deferrable initially deferred
);

create table fixture_address (
    job_id   integer not null,
    fixture  integer not null,
    block    integer not null check (block >= 1),
    universe integer not null check (universe between 1 and 63999),
    slot     integer not null check (slot between 1 and 512),
    primary key (job_id, fixture, block),
    foreign key (job_id, fixture) references fixture (job_id, number) on delete cascade deferrable initially deferred
);

create table evidence (
    job_id          integer not null,
    fixture         integer not null,
    block           integer not null check (block >= 1),
    uid             text    not null,
    set_universe    integer,
    set_slot        integer,
    set_mode        text,
    set_at          text,
    set_by          text,
    proved_universe integer,
    proved_slot     integer,
    proved_mode     text,
    proved_at       text,
    proved_by       text,
    primary key (job_id, fixture, block),
    foreign key (job_id, fixture) references fixture (job_id, number) on delete cascade deferrable initially deferred
);

-- What was done, in order. A delta holds each changed element before and after; undo and redo read it.
create table journal (
    id      integer primary key,
    job_id  integer not null references job (id) on delete cascade,
    version integer not null,
    title   text    not null,
    who     text    not null,
    at      text    not null,
    kind    text    not null check (kind in ('PLAN', 'EVIDENCE')),
    state   text    not null check (state in ('DONE', 'UNDONE', 'ABANDONED')),
    delta   text    not null
);
create index journal_by_job on journal (job_id, state, id);
create index journal_by_version on journal (job_id, version);

create table revision (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number >= 1),
    note       text    not null,
    who        text    not null,
    frozen_at  text    not null,
    journal_id integer not null,
    version    integer not null,
    document   text    not null,
    bundle     blob,
    primary key (job_id, number)
);

create table proposal (
    id           integer primary key,
    job_id       integer not null references job (id) on delete cascade,
    base_version integer not null,
    state        text    not null check (state in ('OPEN', 'APPLIED', 'DROPPED')),
    request      text    not null,
    made_at      text    not null
);

create table equipment_import (
    id        integer primary key,
    job_id    integer not null references job (id) on delete cascade,
    file_name text    not null,
    content   blob    not null,
    choices   text    not null,
    state     text    not null check (state in ('OPEN', 'APPLIED', 'DROPPED')),
    made_at   text    not null
);
