-- When a paper of a job was first given out: from then on people may go by its numbers.
alter table job add column printed_at text;
