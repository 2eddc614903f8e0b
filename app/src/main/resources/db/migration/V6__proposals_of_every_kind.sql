-- Equipment lists and scenes are proposals like all others: one table, with the file beside it where there is one.
create table proposal_file (
    proposal_id integer primary key references proposal (id) on delete cascade,
    name        text not null,
    content     blob not null
);

create temporary table moved (kind text, old_id integer, new_id integer);
insert into moved
select 'equipment-list', id, (select coalesce(max(id), 0) from proposal) + row_number() over (order by id)
from equipment_import;
insert into moved
select 'scene', id,
       (select coalesce(max(id), 0) from proposal) + (select count(*) from moved) + row_number() over (order by id)
from scene_import;

insert into proposal (id, job_id, base_version, state, request, made_at)
select new_id, job_id, 0, state, json_object('choices', json(choices), 'kind', kind), made_at
from equipment_import join moved on kind = 'equipment-list' and old_id = id;
insert into proposal_file (proposal_id, name, content)
select new_id, file_name, content from equipment_import join moved on kind = 'equipment-list' and old_id = id;

insert into proposal (id, job_id, base_version, state, request, made_at)
select new_id, job_id, 0, state, json_set(request, '$.kind', kind), made_at
from scene_import join moved on kind = 'scene' and old_id = id;
insert into proposal_file (proposal_id, name, content)
select new_id, file_name, content from scene_import join moved on kind = 'scene' and old_id = id;

drop table moved;
drop table equipment_import;
drop table scene_import;
