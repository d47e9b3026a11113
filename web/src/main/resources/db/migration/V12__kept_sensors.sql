-- Sensors that a production keeps for all its shots.
create table kept_sensor (
  id bigint not null auto_increment primary key,
  production_id bigint not null,
  name varchar(120) not null,
  width_mm double not null,
  height_mm double not null,
  constraint kept_sensor_name unique (production_id, name),
  constraint kept_sensor_production foreign key (production_id) references production (id)
);
