-- who kept a version; a name stands for one state of a shot
alter table version add column author_id bigint not null;
alter table version add constraint version_author foreign key (author_id) references account (id);
alter table version add constraint version_name unique (shot_id, name);
