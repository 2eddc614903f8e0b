-- The library of types belongs to the shop and to no job: a job keeps copies of the types that it uses.

create table original_file (
    digest    text primary key check (length(digest) = 64),
    file_name text not null,
    content   blob not null,
    added_at  text not null
);

-- The summary is what the search index needs, so that ten thousand types are indexed without reading their definitions.
create table library_type (
    type_id      text    primary key,
    guid         text    not null,
    source       text    not null check (source in ('imported', 'made-here', 'derived')),
    derived_from text    not null,
    definition   text    not null,
    summary      text    not null,
    notes        text    not null,
    digest       text    references original_file (digest),
    put_away     integer not null check (put_away in (0, 1)),
    changed_at   text    not null,
    check ((source = 'imported') = (digest is not null))
);
create index library_type_by_guid on library_type (guid);

-- Which files a type was read from, the newest last.
create table type_original (
    type_id text not null,
    digest  text not null references original_file (digest),
    at      text not null,
    primary key (type_id, digest)
);

-- Types that ship with Taxon may stand on the shelf and be doubted too, so there is no reference to library_type.
create table shelf (
    type_id text    primary key,
    owned   integer not null check (owned between 0 and 99999)
);

create table doubt (
    type_id text not null,
    mode    text not null,
    note    text not null,
    who     text not null,
    at      text not null,
    primary key (type_id, mode)
);
