-- Layers of shake that a production keeps for all its shots, as JSON.
create table kept_feel (
  id bigint not null auto_increment primary key,
  production_id bigint not null,
  name varchar(120) not null,
  layers longtext not null,
  constraint kept_feel_name unique (production_id, name),
  constraint kept_feel_production foreign key (production_id) references production (id)
);
