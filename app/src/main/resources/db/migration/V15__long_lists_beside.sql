-- Where the rows of a long edit are written beforehand, a few at a time: the edit itself takes them over in a moment, so that
-- nobody else waits for it. A batch lives no longer than the edit; what is left after a crash goes at the next start.
create table fixture_staged (
    batch      integer not null,
    number     integer not null,
    fixture_id integer,
    type_id    text    not null,
    mode       text    not null,
    position   integer not null,
    unit       integer not null,
    name       text    not null,
    note       text    not null,
    offset_um  integer,
    traits     text    not null,
    uuid       text,
    primary key (batch, number)
) without rowid;
create table address_staged (
    batch    integer not null,
    fixture  integer not null,
    block    integer not null,
    universe integer not null,
    slot     integer not null,
    primary key (batch, fixture, block)
) without rowid;
