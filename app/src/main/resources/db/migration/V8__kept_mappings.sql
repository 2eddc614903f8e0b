-- What the columns of lists hold that come again and again, by the name that someone gave it.
create table kept_mapping (
    name     text primary key,
    headers  text not null,
    columns  text not null,
    kept_at  text not null
);
