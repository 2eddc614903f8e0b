-- What a paper said, once for each code that stands on paper.
create table paper (
    code        text primary key,
    job_id      integer not null references job (id) on delete cascade,
    kind        text    not null,
    query       text    not null,
    fingerprint text    not null,
    content     blob    not null
) without rowid;

-- When it was printed, by whom, and whether it was taken back since.
create table print (
    id         integer primary key,
    code       text not null references paper (code) on delete cascade,
    job_id     integer not null references job (id) on delete cascade,
    revision   text not null,
    who        text not null,
    printed_at text not null,
    taken_back text
);
create index print_of_job on print (job_id, taken_back);
