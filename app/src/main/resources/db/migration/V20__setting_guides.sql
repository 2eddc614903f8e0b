-- How the units of a type are set by hand, as the shop has written it down; whatever the type's own file says.
create table setting_guide (
    type_id text primary key,
    guide   text not null
) without rowid;
