-- Choices of papers that a job keeps by name: which paper, limited to what, in which order.
create table kept_paper (
    job_id integer not null references job (id) on delete cascade,
    name   text    not null,
    kind   text    not null,
    query  text    not null,
    primary key (job_id, name)
) without rowid;
