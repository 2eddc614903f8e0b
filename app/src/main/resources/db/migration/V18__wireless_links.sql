-- How receivers are known to be linked: those in fixtures and those in boxes of their own, each once.
create table radio_link (
    job_id     integer not null references job (id) on delete cascade,
    receiver   text    not null check (receiver in ('fixture', 'box')),
    number     integer not null check (number >= 1),
    definition text    not null,
    primary key (job_id, receiver, number)
) without rowid;
