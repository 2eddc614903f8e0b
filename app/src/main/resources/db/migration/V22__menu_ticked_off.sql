-- What was asked for of a unit besides address and mode when someone ticked it off.
alter table evidence add column menu text not null default '';
