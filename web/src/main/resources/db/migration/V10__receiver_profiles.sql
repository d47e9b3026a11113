-- What receivers want, kept by a production; and of each hand-off for whom it was, and what was told of it.
create table receiver_profile (
  id bigint not null auto_increment primary key,
  production_id bigint not null,
  name varchar(60) not null,
  content longtext not null,
  constraint receiver_profile_name unique (production_id, name),
  constraint receiver_profile_production foreign key (production_id) references production (id)
);

alter table handoff add column profile varchar(60);
alter table handoff add column told longtext;
-- of a file that came in: which node became of what in it, by names along the carriers, as JSON
alter table handoff add column came longtext;
