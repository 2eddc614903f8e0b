-- Types that a person wants at hand, whatever the shop owns.
create table favourite (
    who      text not null,
    type_id  text not null,
    primary key (who, type_id)
);
