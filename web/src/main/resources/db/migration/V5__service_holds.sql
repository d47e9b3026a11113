-- Every change carries an id of the request; a repeat gets the first outcome.
alter table edit add column request varchar(64);
alter table edit add constraint edit_request unique (author_id, request);
create table change_request (
  account_id bigint not null,
  request varchar(64) not null,
  place varchar(80) not null,
  answer longtext,
  created_at datetime(3) not null,
  primary key (account_id, request),
  constraint change_request_account foreign key (account_id) references account (id)
);

-- Packed text: as it was written before, or compressed. A revision is whole, or what leads to it
-- from the one before.
alter table edit modify column edits longblob not null;
alter table edit modify column inverse longblob not null;
alter table shot_revision modify column document longblob not null;
alter table shot_revision add column base bigint;

-- What the card of a shot says, without its document being read.
alter table shot add column frames int;
alter table shot add column rate varchar(40);
create table shot_sketch (
  shot_id bigint not null primary key,
  revision bigint not null,
  sketch longtext,
  trouble varchar(400),
  constraint shot_sketch_shot foreign key (shot_id) references shot (id)
);

-- Names are the same only if they are written the same.
/* [jooq ignore start] */
alter table account modify column name varchar(60) character set utf8mb4 collate utf8mb4_nopad_bin not null;
alter table version modify column name varchar(120) character set utf8mb4 collate utf8mb4_nopad_bin not null;
/* [jooq ignore stop] */
