-- How universes are counted on the network: a value that is read and written whole.
alter table job add column counting text not null default '{}';
