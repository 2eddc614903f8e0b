-- Boxes of every kind, universes with many ways and lines of cable: values that are read and written whole.
alter table job add column network text not null default '{}';

create table box (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number >= 1),
    definition text    not null,
    primary key (job_id, number)
) without rowid;

-- As nodes were written before there were other boxes; what reads boxes understands it.
insert into box (job_id, number, definition)
select job_id, number, json_object('number', number, 'name', name, 'ip', ip, 'ports', ports) from node;

create table line (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number >= 1),
    definition text    not null,
    primary key (job_id, number)
) without rowid;

create table routed_universe (
    job_id     integer not null references job (id) on delete cascade,
    number     integer not null check (number between 1 and 63999),
    definition text    not null,
    primary key (job_id, number)
) without rowid;

insert into routed_universe (job_id, number, definition)
select job_id, number,
       case protocol
           when 'art-net' then json_object('number', number, 'label', label, 'route',
               json_object('protocol', protocol, 'portAddress', carried_as, 'node', node, 'port', port))
           when 'sacn' then json_object('number', number, 'label', label, 'route',
               json_object('protocol', protocol, 'universe', carried_as, 'node', node, 'port', port))
           else json_object('number', number, 'label', label)
       end
from universe;

drop table universe;
drop table node;
alter table routed_universe rename to universe;
