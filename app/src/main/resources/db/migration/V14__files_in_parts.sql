-- A file that came with a proposal is kept in parts, so that none has to be in memory whole and none holds the store up.
create table proposal_file_part (
    proposal_id integer not null references proposal (id) on delete cascade,
    number      integer not null check (number > 0),
    content     blob    not null,
    primary key (proposal_id, number)
);
insert into proposal_file_part (proposal_id, number, content) select proposal_id, 1, content from proposal_file;
alter table proposal_file drop column content;
-- True when all parts are there; what a crash left half counts as no file.
alter table proposal_file add column whole integer not null default 1;
