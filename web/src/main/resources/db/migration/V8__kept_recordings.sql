-- Recordings that a production keeps for all its shots: rate and samples as JSON, and what is listed of them.
create table kept_recording (
  id bigint not null auto_increment primary key,
  production_id bigint not null,
  name varchar(120) not null,
  rate double not null,
  samples int not null,
  content longtext not null,
  constraint kept_recording_name unique (production_id, name),
  constraint kept_recording_production foreign key (production_id) references production (id)
);
