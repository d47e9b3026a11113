-- What cameras did while somebody operated them: rate and samples as JSON, and what is listed of them.
create table kept_take (
  id bigint not null auto_increment primary key,
  shot_id bigint not null,
  name varchar(120) not null,
  source varchar(20) not null,
  start_frame double not null,
  rate double not null,
  samples int not null,
  path_m double not null,
  told longtext not null,
  content longtext not null,
  made_at datetime(3) not null,
  constraint kept_take_name unique (shot_id, name),
  constraint kept_take_shot foreign key (shot_id) references shot (id)
);
