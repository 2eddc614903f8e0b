-- "TAXN": what kind of file this is, for programs that look (SQLite, "Database File Format", 1.3.14).
pragma application_id = 1413568590;

-- What the list of jobs shows, so that it need not load them. A job without a line here is counted when there is time.
create table job_summary (
    job_id   integer primary key references job (id) on delete cascade,
    version  integer not null check (version >= 0),
    fixtures integer not null check (fixtures >= 0),
    stops    integer not null check (stops >= 0)
);

-- How far the history of a job was thinned: no entry up to this version is complete.
alter table job add column thinned_to integer not null default 0;
alter table job add column thinned_entries integer not null default 0;
alter table job add column thinned_at text;

alter table proposal add column ended_at text;
update proposal set ended_at = made_at where state <> 'OPEN';
create index proposal_by_age on proposal (state, ended_at, made_at);

-- A bundle can be made again from what was frozen, the same to the byte.
alter table revision add column bundle_at text;
update revision set bundle_at = frozen_at where bundle is not null;

-- Counts of edits and the newest titles need not read what was changed.
create index journal_by_kind on journal (job_id, kind, state, id, version);
