-- Cells and layers that a group holds without the rest of their fixtures, each as "17/cell 3".
alter table rig_group add column parts text not null default '[]';
