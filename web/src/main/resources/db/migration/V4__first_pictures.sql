-- The first picture of a shot through its lens, as a window drew it; for its card.
create table shot_picture (
  shot_id bigint not null primary key,
  revision bigint not null,
  content longblob not null,
  created_at datetime(3) not null,
  constraint shot_picture_shot foreign key (shot_id) references shot (id)
);
